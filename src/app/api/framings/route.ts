import { bodyOf, routes } from '@/server/http';
import { framings } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => framings.listFramings(here),
  POST: async ({ here, request }) => framings.saveFraming(here, await bodyOf(request, framings.savedFramingSchema)),
});
