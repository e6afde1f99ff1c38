import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => ({ deliveries: await deliveries.listDeliveries(numberOf(id)) }),
  POST: async (request, { id }) => {
    const { only } = await bodyOf(
      request,
      z.strictObject({ only: z.array(z.int()).min(1).max(20_000).nullable().default(null) }),
    );
    return { id: await deliveries.startDelivery(numberOf(id), only) };
  },
});
