import { routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Where deliveries can be sent, as the server's owner wrote it down. */
  GET: async ({ here }) => ({ destinations: await uploads.destinations(here) }),
});
