import { predictLength } from 'client-zip';
import { safeName } from '@/core/export';
import { numberOf, routes } from '@/server/http';
import { deliveries, zipStream } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The zip as a stream, with `only=new` of those files alone that were made for it: files are read one after the other as the browser takes them. */
  GET: async ({ here, request, id }) => {
    const onlyMade = new URL(request.url).searchParams.get('only') === 'new';
    const deliveryId = numberOf(id);
    const entries = await deliveries.zipEntries(here, deliveryId, onlyMade);
    const { batchName } = await deliveries.deliveryProgress(here, deliveryId);
    const name = `${safeName(batchName)}-${deliveryId}${onlyMade ? '-new' : ''}.zip`;
    return new Response(zipStream(entries), {
      headers: {
        'content-type': 'application/zip',
        'content-length': String(predictLength(entries.map(({ name, size }) => ({ name, size })))),
        'content-disposition': `attachment; filename="${name.replace(/[^\x20-\x7e]|"/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name)}`,
        'cache-control': 'no-store',
      },
    });
  },
});
