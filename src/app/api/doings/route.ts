import { queryOf, routes } from '@/server/http';
import { doings } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Who did what. */
  GET: async ({ here, request }) => doings.listDoings(here, queryOf(request, doings.doingsQuery)),
});
