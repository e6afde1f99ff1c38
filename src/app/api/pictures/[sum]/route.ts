import { readFile } from 'node:fs/promises';
import { routes, sumOf } from '@/server/http';
import { pictures } from '@/server/services';

/** A picture named by its content: what is kept of it never changes. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, sum }) => {
    const data = await readFile(await pictures.pictureFile(here, sumOf(sum)));
    const headers = { 'content-type': 'image/png', 'cache-control': 'private, max-age=31536000, immutable' };
    return new Response(new Uint8Array(data), { headers });
  },
  DELETE: async ({ here, sum }) => pictures.deletePicture(here, sumOf(sum)),
});
