import { personOf, routes } from '@/server/http';
import { endSessions } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Signs a person out everywhere. */
  DELETE: async ({ here, id }) => endSessions(here, personOf(id)),
});
