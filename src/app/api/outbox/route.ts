import { routes } from '@/server/http';
import { listOutbox } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Mail that would have been sent if any left this machine. */
  GET: async ({ here }) => ({ mails: await listOutbox(here) }),
});
