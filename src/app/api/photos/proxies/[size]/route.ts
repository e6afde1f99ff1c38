import { WobrelError } from '@/core/errors';
import { proxySizeOf, routes, sumOf } from '@/server/http';
import { photos } from '@/server/services';

const MOST = 200;

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Many proxies in one answer, in the order asked for: for each its length in four bytes, little-endian, then the JPEG; length 0 where there is none. */
  GET: async ({ here, request, size }) => {
    const sums = (new URL(request.url).searchParams.get('of') ?? '').split(',').map(sumOf);
    if (sums.length > MOST) throw new WobrelError('invalid', `At most ${MOST} proxies at once.`);
    const files = await photos.proxiesOf(here, sums, proxySizeOf(size));
    const parts = files.flatMap((file) => {
      const length = Buffer.alloc(4);
      length.writeUInt32LE(file?.length ?? 0);
      return file ? [length, file] : [length];
    });
    // One that is missing may be there the next time.
    const cache = files.every(Boolean) ? 'private, max-age=31536000, immutable' : 'no-store';
    return new Response(Buffer.concat(parts), {
      headers: { 'content-type': 'application/octet-stream', 'cache-control': cache },
    });
  },
});
