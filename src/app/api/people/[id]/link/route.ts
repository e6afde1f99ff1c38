import { personOf, routes } from '@/server/http';
import { makeLink } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** A one-time link for another password. */
  POST: async ({ here, id }) => makeLink(here, personOf(id)),
});
