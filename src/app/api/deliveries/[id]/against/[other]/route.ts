import { numberOf, routes } from '@/server/http';
import { deliveryPages } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What is different from another delivery. */
  GET: async ({ here, id, other }) => deliveryPages.deliveryDifferences(here, numberOf(id), numberOf(other)),
});
