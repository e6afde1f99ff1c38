import { numberOf, routes } from '@/server/http';
import { deliveryPages } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** A delivered file made small; what was delivered never changes. */
  GET: async ({ here, id, file }) => {
    const picture = await deliveryPages.deliveredPicture(here, numberOf(id), numberOf(file));
    const headers = { 'content-type': 'image/webp', 'cache-control': 'private, max-age=86400' };
    return new Response(new Uint8Array(picture), { headers });
  },
});
