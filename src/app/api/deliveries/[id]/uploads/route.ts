import { bodyOf, numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => ({ uploads: await uploads.uploadsOf(numberOf(id)) }),
  /** Sends its files to a destination. */
  POST: async (request, { id }) => ({
    id: await uploads.startUpload(numberOf(id), await bodyOf(request, uploads.uploadSchema)),
  }),
});
