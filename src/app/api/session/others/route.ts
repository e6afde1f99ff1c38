import { openRoutes } from '@/server/http';
import { signOutElsewhere } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = openRoutes({
  /** Ends one's sessions everywhere else. */
  DELETE: async ({ request }) => signOutElsewhere(request.headers),
});
