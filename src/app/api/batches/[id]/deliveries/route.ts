import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => ({ deliveries: await deliveries.listDeliveries(here, numberOf(id)) }),
  POST: async ({ here, request, id }) => {
    const { only } = await bodyOf(
      request,
      z.strictObject({ only: z.array(z.int()).min(1).max(20_000).nullable().default(null) }),
    );
    return { id: await deliveries.startDelivery(here, numberOf(id), only) };
  },
});
