import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { batches } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => batches.batchDetail(numberOf(id)),
  PATCH: async (request, { id }) => {
    const { name } = await bodyOf(request, z.strictObject({ name: batches.batchNameSchema }));
    await batches.renameBatch(numberOf(id), name);
  },
  DELETE: async (_, { id }) => batches.deleteBatch(numberOf(id)),
});
