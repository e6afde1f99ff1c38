import { eventStream, numberOf, routes } from '@/server/http';
import { listen } from '@/server/jobs';
import { deliveries } from '@/server/services';

const OVER = ['done', 'cancelled', 'failed'];

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The delivery's progress as server-sent events, until it is over. */
  GET: async ({ here, request, id }) => {
    const deliveryId = numberOf(id);
    await deliveries.deliveryProgress(here, deliveryId);
    return eventStream({
      read: () => deliveries.deliveryProgress(here, deliveryId),
      isOver: ({ state }) => OVER.includes(state),
      listen: (onChange) => listen(here, deliveryId, onChange),
      signal: request.signal,
    });
  },
});
