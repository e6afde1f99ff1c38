import { numberOf, routes } from '@/server/http';
import { endToken } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  DELETE: async ({ here, id }) => endToken(here, numberOf(id)),
});
