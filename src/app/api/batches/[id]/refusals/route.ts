import { numberOf, routes } from '@/server/http';
import { batches } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  DELETE: async (_, { id }) => batches.clearRefusals(numberOf(id)),
});
