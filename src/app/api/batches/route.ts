import { z } from 'zod';
import { bodyOf, routes } from '@/server/http';
import { batches } from '@/server/services';

const newBatch = z.strictObject({ name: batches.batchNameSchema, templateId: z.int().nullable().default(null) });

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => ({ batches: await batches.listBatches() }),
  POST: async (request) => {
    const { name, templateId } = await bodyOf(request, newBatch);
    return { id: await batches.createBatch(name, templateId) };
  },
});
