/** A few preview workers; each photo always goes to the same one, which keeps its proxy. */
import type { Template } from '../core/template';
import type { DrawMessage, Drawn, DrawnMessage, PreviewPhoto } from './protocol';

export type PreviewPool = {
  /** @param forMean true where only their mean is seen */
  readonly draw: (
    template: Template,
    width: number,
    photos: readonly PreviewPhoto[],
    forMean?: boolean,
  ) => Promise<Drawn[]>;
};

type Waiting = { readonly message: DrawMessage; readonly answer: (drawn: readonly Drawn[]) => void };

function startWorker() {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  const waiting = new Map<number, Waiting>();
  worker.onmessage = ({ data: { ticket, drawn } }: MessageEvent<DrawnMessage>) => {
    waiting.get(ticket)?.answer(drawn);
    waiting.delete(ticket);
  };
  // Out of memory, say: those who wait are told rather than left waiting.
  worker.onerror = () => {
    for (const { message, answer } of waiting.values())
      answer(message.photos.map(({ id }) => ({ id, error: 'The preview stopped unexpectedly; reload the page.' })));
    waiting.clear();
  };
  return {
    ask: (message: DrawMessage) =>
      new Promise<readonly Drawn[]>((resolve) => {
        waiting.set(message.ticket, { message, answer: resolve });
        worker.postMessage(message);
      }),
  };
}

export function createPreviewPool(size = Math.min(4, Math.max(1, navigator.hardwareConcurrency - 1))): PreviewPool {
  const workers = Array.from({ length: size }, startWorker);
  let ticket = 0;
  return {
    draw: async (template, width, photos, forMean = false) => {
      const answers = await Promise.all(
        workers.map((worker, i) => {
          const mine = photos.filter((photo) => photo.id % size === i);
          return mine.length > 0 ? worker.ask({ ticket: ++ticket, template, width, photos: mine, forMean }) : [];
        }),
      );
      return answers.flat();
    },
  };
}
