/** A few preview workers; each photo always goes to the same one, which keeps its proxy. */
import type { Template } from '../core/template';
import type { DrawMessage, Drawn, PreviewAnswer, PreviewMessage, PreviewPhoto } from './protocol';

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

/** A worker that does not even say that it is there for so long, ms, is at something that nobody should wait for. */
const PATIENCE = 60_000;
/** Time to be heard after that, as both were asleep, say. */
const GRACE = 2000;
/** Asked again so much later. */
const PAUSE = 5000;

const STOPPED = 'The preview stopped unexpectedly; reload the page.';
const TOO_LONG = 'This takes too long to draw: undo it.';

function startWorker() {
  const waiting = new Map<number, Waiting>();
  let worker = started();
  let timer: ReturnType<typeof setTimeout> | undefined;

  function started(): Worker {
    const made = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    made.onmessage = ({ data }: MessageEvent<PreviewAnswer>) => {
      if ('drawn' in data) {
        waiting.get(data.ticket)?.answer(data.drawn);
        waiting.delete(data.ticket);
      }
      heard();
    };
    // Out of memory, say: those who wait are told rather than left waiting.
    made.onerror = () => tellAll(STOPPED);
    return made;
  }

  function rest() {
    clearTimeout(timer);
    timer = undefined;
  }

  function tellAll(error: string) {
    rest();
    for (const { message, answer } of waiting.values()) answer(message.photos.map(({ id }) => ({ id, error })));
    waiting.clear();
  }

  const send = (message: PreviewMessage) => worker.postMessage(message);

  /** It answers in order: while it waits for a proxy it says so at once, while it reckons only afterwards. */
  function lookAfter() {
    timer = setTimeout(() => (timer = setTimeout(giveUp, GRACE)), PATIENCE);
    send({ isThere: true });
  }

  function heard() {
    rest();
    if (waiting.size > 0) timer = setTimeout(lookAfter, PAUSE);
  }

  function giveUp() {
    worker.terminate();
    worker = started();
    tellAll(TOO_LONG);
  }

  return {
    ask: (message: DrawMessage) =>
      new Promise<readonly Drawn[]>((resolve) => {
        waiting.set(message.ticket, { message, answer: resolve });
        send(message);
        if (timer === undefined) lookAfter();
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
