import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { batches } from '@/server/services';

const draft = z.strictObject({
  template: z.unknown(),
  revision: z.int().min(0),
  window: z.string().min(1).max(60).optional(),
  change: z.int().min(1).optional(),
});

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  PUT: async ({ here, request, id }) => {
    const { template, revision, window, change } = await bodyOf(request, draft);
    const own = window !== undefined && change !== undefined ? { window, change } : null;
    return { revision: await batches.saveDraft(here, numberOf(id), template, revision, own) };
  },
});
