import { safeName } from '@/core/export';
import { numberOf, queryOf, routes } from '@/server/http';
import { deliveries, printPages } from '@/server/services';

const TYPES = { pdf: 'application/pdf', svg: 'image/svg+xml', png: 'image/png' } as const;

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The delivery's cutouts on pages for print. */
  GET: async ({ here, request, id }) => {
    const query = queryOf(request, printPages.printQuery);
    const document = await printPages.printPages(here, numberOf(id), query);
    const { batchName } = await deliveries.deliveryProgress(here, numberOf(id));
    const name = `${safeName(batchName)}-${query.output}${query.format !== 'pdf' ? `-${query.page}` : ''}.${query.format}`;
    return new Response(new Uint8Array(document), {
      headers: {
        'content-type': TYPES[query.format],
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        'cache-control': 'no-store',
      },
    });
  },
});
