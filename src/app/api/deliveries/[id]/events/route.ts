import { numberOf, routes } from '@/server/http';
import { listen } from '@/server/jobs';
import { deliveries } from '@/server/services';

/** Least time between two reports. */
const EVERY_MS = 150;
const OVER = ['done', 'cancelled', 'failed'];

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** The delivery's progress as server-sent events, until it is over. */
  GET: async (request, { id }) => {
    const deliveryId = numberOf(id);
    await deliveries.deliveryProgress(deliveryId);
    const encoder = new TextEncoder();
    let stop = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        let timer: NodeJS.Timeout | null = null;
        let ended = false;
        const report = async () => {
          // Before the look: what happens from here on asks for another one.
          timer = null;
          const progress = await deliveries.deliveryProgress(deliveryId);
          if (ended) return;
          controller.enqueue(encoder.encode(`data: ${JSON.stringify(progress)}\n\n`));
          if (!OVER.includes(progress.state)) return;
          stop();
          controller.close();
        };
        const soon = () => {
          timer ??= setTimeout(() => void report().catch(() => stop()), EVERY_MS);
        };
        const unlisten = listen(deliveryId, soon);
        stop = () => {
          ended = true;
          if (timer) clearTimeout(timer);
          unlisten();
        };
        request.signal.addEventListener('abort', stop);
        soon();
      },
      cancel: () => stop(),
    });
    return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
  },
});
