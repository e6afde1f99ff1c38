import { z } from 'zod';
import { bodyOf, numberOf, route } from '@/server/http';
import { batches } from '@/server/services';

const draft = z.strictObject({ template: z.unknown(), revision: z.int().min(0) });

export const PUT = route(async (request, { id }) => {
  const { template, revision } = await bodyOf(request, draft);
  return { revision: await batches.saveDraft(numberOf(id), template, revision) };
});
