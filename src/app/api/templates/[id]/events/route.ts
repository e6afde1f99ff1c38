import { eventStream, numberOf, queryOf, routes, windowQuery } from '@/server/http';
import { whoAsks } from '@/server/people';
import { watching } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What others do to it, and who they are, as server-sent events as long as somebody looks. */
  GET: async ({ here, request, id }) => {
    const { window } = queryOf(request, windowQuery);
    const { listen, read } = await watching.watchTemplate(here, numberOf(id), window);
    return eventStream({
      // Who is signed out meanwhile is told nothing more.
      read: async () => (await whoAsks(request.headers), read()),
      isOver: () => false,
      listen,
      signal: request.signal,
    });
  },
});
