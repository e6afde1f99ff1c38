import { z } from 'zod';
import { bodyOf, numberOf, queryOf, routes } from '@/server/http';
import { batches, storage } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => batches.batchDetail(here, numberOf(id)),
  PATCH: async ({ here, request, id }) => {
    const { name } = await bodyOf(request, z.strictObject({ name: batches.batchNameSchema }));
    await batches.renameBatch(here, numberOf(id), name);
  },
  /** Deletes it; `?deliveries=true` its deliveries, too. */
  DELETE: async ({ here, request, id }) =>
    storage.removeBatch(here, numberOf(id), queryOf(request, storage.removalQuery).deliveries === 'true'),
});
