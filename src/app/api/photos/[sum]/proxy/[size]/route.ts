import { WobrelError } from '@/core/errors';
import { proxySizeOf, routes, sumOf } from '@/server/http';
import { photos } from '@/server/services';

/** A picture's proxy, named by the picture's content: what is kept of it never changes. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, sum, size }) => {
    const [proxy] = await photos.proxiesOf(here, [sumOf(sum)], proxySizeOf(size));
    if (!proxy) throw new WobrelError('not-found', 'There is no such photo.');
    const headers = { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' };
    return new Response(new Uint8Array(proxy), { headers });
  },
});
