import { numberOf, routes } from '@/server/http';
import { framings } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  DELETE: async ({ here, id }) => framings.deleteFraming(here, numberOf(id)),
});
