import { bodyOf, numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => ({ uploads: await uploads.uploadsOf(here, numberOf(id)) }),
  /** Sends its files to a destination. */
  POST: async ({ here, request, id }) => ({
    id: await uploads.startUpload(here, numberOf(id), await bodyOf(request, uploads.uploadSchema)),
  }),
});
