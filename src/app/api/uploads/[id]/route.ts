import { numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What its destination did not take. */
  GET: async ({ here, id }) => ({ refused: await uploads.refusedFiles(here, numberOf(id)) }),
});
