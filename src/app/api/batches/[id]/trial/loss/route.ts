import { numberOf, routes } from '@/server/http';
import { trials } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** What the format of an output lost of the photo in the middle of the batch, as a picture. */
  GET: async ({ here, request, id }) => {
    const output = numberOf(new URL(request.url).searchParams.get('output'), 0);
    const headers = { 'content-type': 'image/webp', 'cache-control': 'no-store' };
    return new Response(await trials.lossPicture(here, numberOf(id), output), { headers });
  },
});
