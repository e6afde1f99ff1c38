import { z } from 'zod';
import { bodyOf, numberOf, queryOf, routes } from '@/server/http';
import { batches, storage } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => batches.batchDetail(numberOf(id)),
  PATCH: async (request, { id }) => {
    const { name } = await bodyOf(request, z.strictObject({ name: batches.batchNameSchema }));
    await batches.renameBatch(numberOf(id), name);
  },
  /** Deletes it; `?deliveries=true` its deliveries, too. */
  DELETE: async (request, { id }) =>
    storage.removeBatch(numberOf(id), queryOf(request, storage.removalQuery).deliveries === 'true'),
});
