import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, id }) => deliveries.cancelDelivery(here, numberOf(id)),
});
