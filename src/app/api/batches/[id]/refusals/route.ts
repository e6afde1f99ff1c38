import { numberOf, routes } from '@/server/http';
import { batches } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  DELETE: async ({ here, id }) => batches.clearRefusals(here, numberOf(id)),
});
