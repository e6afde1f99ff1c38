import { makeZip } from 'client-zip';
import { safeName } from '@/core/export';
import { numberOf, routes } from '@/server/http';
import { deliveries, deliverySvg } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Every cutout as an SVG, in a zip that is made as it is taken. */
  GET: async ({ here, id }) => {
    const files = await deliverySvg.deliverySvgs(here, numberOf(id));
    const { batchName } = await deliveries.deliveryProgress(here, numberOf(id));
    return new Response(makeZip(files), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${safeName(batchName)}-svg.zip`)}`,
        'cache-control': 'no-store',
      },
    });
  },
});
