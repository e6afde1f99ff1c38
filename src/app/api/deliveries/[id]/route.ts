import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => ({
    progress: await deliveries.deliveryProgress(numberOf(id)),
    failed: await deliveries.failedPhotos(numberOf(id)),
  }),
});
