import { safeName } from '@/core/export';
import { numberOf, queryOf, routes } from '@/server/http';
import { deliveries, deliveryHtml } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** HTML that shows the delivery's pictures; always a download, never a page of this server's own. */
  GET: async ({ here, request, id }) => {
    const { prefix } = queryOf(request, deliveryHtml.htmlQuery);
    const html = await deliveryHtml.deliveryHtml(here, numberOf(id), prefix);
    const { batchName } = await deliveries.deliveryProgress(here, numberOf(id));
    return new Response(html, {
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${safeName(batchName)}.html`)}`,
        'cache-control': 'no-store',
      },
    });
  },
});
