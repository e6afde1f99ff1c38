import { z } from 'zod';
import { bodyOf, route } from '@/server/http';
import { batches } from '@/server/services';

const newBatch = z.strictObject({ name: batches.batchNameSchema, templateId: z.int().nullable().default(null) });

export const GET = route(async () => ({ batches: await batches.listBatches() }));

export const POST = route(async (request) => {
  const { name, templateId } = await bodyOf(request, newBatch);
  return { id: await batches.createBatch(name, templateId) };
});
