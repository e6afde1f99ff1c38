/** Something that goes on, told to a page as server-sent events (HTML Standard §9.2). */

/** Least time between two reports, ms. */
const EVERY_MS = 150;

/** How often something is sent at least, ms: it shows whether anybody is there, and keeps the line open. */
const SIGN_OF_LIFE_MS = 25_000;

type EventStreamOptions<T> = {
  /** How things stand now. */
  readonly read: () => Promise<T>;
  readonly isOver: (state: T) => boolean;
  /** Calls back on every change until the returned function is called. */
  readonly listen: (onChange: () => void) => () => void;
  /** Of the request: it goes when the page does. */
  readonly signal: AbortSignal;
  readonly everyMs?: number;
};

/** Reports until it is over: at once, and after every change. What changes while a report is being made is told by the next. */
export function eventStream<T>({ read, isOver, listen, signal, everyMs = EVERY_MS }: EventStreamOptions<T>): Response {
  const encoder = new TextEncoder();
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let timer: ReturnType<typeof setTimeout> | null = null;
      let ended = false;
      const report = async () => {
        // Before the look: what happens from here on asks for another one.
        timer = null;
        const state = await read();
        if (ended) return;
        controller.enqueue(encoder.encode(`data: ${JSON.stringify(state)}\n\n`));
        if (!isOver(state)) return;
        stop();
        controller.close();
      };
      // The page's end is closed, so that it asks again.
      const giveUp = () => {
        if (ended) return;
        stop();
        controller.close();
      };
      const soon = () => {
        timer ??= setTimeout(() => void report().catch(giveUp), everyMs);
      };
      const unlisten = listen(soon);
      const sign = setInterval(() => controller.enqueue(encoder.encode(':\n\n')), SIGN_OF_LIFE_MS);
      sign.unref();
      stop = () => {
        ended = true;
        clearInterval(sign);
        if (timer) clearTimeout(timer);
        unlisten();
      };
      signal.addEventListener('abort', () => stop());
      soon();
    },
    cancel: () => stop(),
  });
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
}
