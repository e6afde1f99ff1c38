import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, id }) => deliveries.resumeDelivery(here, numberOf(id)),
});
