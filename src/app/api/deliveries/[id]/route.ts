import { numberOf, route } from '@/server/http';
import { deliveries } from '@/server/services';

export const GET = route(async (_, { id }) => ({
  progress: await deliveries.deliveryProgress(numberOf(id)),
  failed: await deliveries.failedPhotos(numberOf(id)),
}));
