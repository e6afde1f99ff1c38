import { readFile } from 'node:fs/promises';
import { routes, sumOf } from '@/server/http';
import { smallPicture } from '@/server/pictures';
import { pictures } from '@/server/services';

/** A picture named by its content: what is kept of it never changes. With `size=small` as lists show it. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, request, sum }) => {
    const path = await pictures.pictureFile(here, sumOf(sum));
    const isSmall = new URL(request.url).searchParams.get('size') === 'small';
    const data = await (isSmall ? smallPicture(path) : readFile(path));
    const type = isSmall ? 'image/webp' : 'image/png';
    const headers = { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable' };
    return new Response(new Uint8Array(data), { headers });
  },
  DELETE: async ({ here, sum }) => pictures.deletePicture(here, sumOf(sum)),
});
