import { numberOf, routes } from '@/server/http';
import { deliveries, storage } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => ({
    progress: await deliveries.deliveryProgress(here, numberOf(id)),
    failed: await deliveries.failedPhotos(here, numberOf(id)),
  }),
  /** Removes it with its files. */
  DELETE: async ({ here, id }) => {
    await deliveries.removeDelivery(here, numberOf(id));
    storage.collectSoon(here);
  },
});
