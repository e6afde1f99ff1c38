import { numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What its destination did not take. */
  GET: async (_, { id }) => ({ refused: await uploads.refusedFiles(numberOf(id)) }),
});
