import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => ({ deliveries: await deliveries.listDeliveries(numberOf(id)) }),
  POST: async (_, { id }) => ({ id: await deliveries.startDelivery(numberOf(id)) }),
});
