import { numberOf, routes } from '@/server/http';
import { deliveries, storage } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => ({
    progress: await deliveries.deliveryProgress(numberOf(id)),
    failed: await deliveries.failedPhotos(numberOf(id)),
  }),
  /** Removes it with its files. */
  DELETE: async (_, { id }) => {
    await deliveries.removeDelivery(numberOf(id));
    storage.collectSoon();
  },
});
