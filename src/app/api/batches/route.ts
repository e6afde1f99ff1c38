import { z } from 'zod';
import { bodyOf, routes } from '@/server/http';
import { batches } from '@/server/services';

const newBatch = z.strictObject({ name: batches.batchNameSchema, templateId: z.int().nullable().default(null) });

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ batches: await batches.listBatches(here) }),
  POST: async ({ here, request }) => {
    const { name, templateId } = await bodyOf(request, newBatch);
    return { id: await batches.createBatch(here, name, templateId) };
  },
});
