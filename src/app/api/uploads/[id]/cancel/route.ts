import { numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, id }) => uploads.cancelUpload(here, numberOf(id)),
});
