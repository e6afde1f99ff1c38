import { safeName } from '@/core/export';
import { numberOf, queryOf, routes } from '@/server/http';
import { deliveries, deliveryHtml } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** HTML that shows the delivery's pictures; always a download, never a page of this server's own. */
  GET: async (request, { id }) => {
    const { prefix } = queryOf(request, deliveryHtml.htmlQuery);
    const html = await deliveryHtml.deliveryHtml(numberOf(id), prefix);
    const { batchName } = await deliveries.deliveryProgress(numberOf(id));
    return new Response(html, {
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${safeName(batchName)}.html`)}`,
        'cache-control': 'no-store',
      },
    });
  },
});
