import { numberOf, routes } from '@/server/http';
import { photoMetadata } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What the photos' own files say of them, as a table. */
  GET: async ({ here, id }) => ({ table: await photoMetadata.photoMetadata(here, numberOf(id)) }),
});
