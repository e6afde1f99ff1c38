import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

/** What an export would make anew since the last one, and why. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => deliveries.deliveryChanges(here, numberOf(id)),
});
