import { numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async (_, { id }) => uploads.cancelUpload(numberOf(id)),
});
