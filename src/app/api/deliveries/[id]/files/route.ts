import { numberOf, queryOf, routes } from '@/server/http';
import { deliveryPages } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, request, id }) =>
    deliveryPages.deliveredFiles(here, numberOf(id), queryOf(request, deliveryPages.filesQuery)),
});
