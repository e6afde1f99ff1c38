import { bodyOf, numberOf, routes } from '@/server/http';
import { uploads } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What an upload would send, and what the destination would refuse. */
  POST: async ({ here, request, id }) =>
    uploads.uploadForecast(here, numberOf(id), await bodyOf(request, uploads.uploadSchema)),
});
