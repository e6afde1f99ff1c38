import { numberOf, routes } from '@/server/http';
import { deliveries } from '@/server/services';

/** The same delivery once more, as everything was then. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, id }) => ({ id: await deliveries.exportAgain(here, numberOf(id)) }),
});
