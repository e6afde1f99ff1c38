import { routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ deliveries: await deliveries.listDeliveries(here, null) }),
});
