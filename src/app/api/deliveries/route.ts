import { routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => ({ deliveries: await deliveries.listDeliveries(null) }),
});
