import { routes } from '@/server/http';
import { storage } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What lies on the disk, by batch. */
  GET: async ({ here }) => storage.storage(here),
  /** Takes away what nothing needs any more. */
  DELETE: async ({ here }) => storage.collectUnneeded(here),
});
