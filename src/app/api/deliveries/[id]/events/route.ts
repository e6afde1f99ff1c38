import { eventStream, numberOf, routes } from '@/server/http';
import { whoAsks } from '@/server/people';
import { deliveries } from '@/server/services';
import { listen } from '@/server/workspace';

const OVER = ['done', 'cancelled', 'failed'];

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The delivery's progress as server-sent events, until it is over. */
  GET: async ({ here, request, id }) => {
    const deliveryId = numberOf(id);
    await deliveries.deliveryProgress(here, deliveryId);
    return eventStream({
      // Who is signed out meanwhile is told nothing more.
      read: async () => (await whoAsks(request.headers), deliveries.deliveryProgress(here, deliveryId)),
      isOver: ({ state }) => OVER.includes(state),
      listen: (onChange) => listen(here, `delivery ${deliveryId}`, onChange),
      signal: request.signal,
    });
  },
});
