/**
 * A worker that keeps a batch's findings; one question is under way at a time, the newest waits.
 * After an error nothing is known of any photo: what is asked next is asked of another worker, of all of them.
 */
import type { FindingsChange, WatchedPhoto } from '../core/checks';
import type { Template } from '../core/template';
import type { FindingsAnswer, FindingsMessage } from './findings-protocol';

export type FindingsSource = {
  /** Tells what there is to check now. */
  readonly ask: (template: Template, photos: readonly WatchedPhoto[]) => void;
  readonly close: () => void;
};

/** An answer that takes so long, ms, is one that nobody should wait for: ten thousand photos take seconds. */
const PATIENCE = 60_000;
/** Time to be heard after that, as both were asleep, say. */
const GRACE = 2000;

const STOPPED = 'checking stopped unexpectedly; reload the page.';
const TOO_LONG = 'that takes too long; undo the last change.';

type Question = { readonly template: Template; readonly photos: readonly WatchedPhoto[] };

/**
 * @param onChange called with every change of the findings, and what they are about
 * @param onError what was told before does not hold any more
 * @param start makes the worker
 */
export function createFindings(
  onChange: (change: FindingsChange, about: Question) => void,
  onError: (message: string) => void,
  start: () => Worker = () => new Worker(new URL('./findings-worker.ts', import.meta.url), { type: 'module' }),
): FindingsSource {
  let worker: Worker | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const known = new Map<number, WatchedPhoto>();
  let told: Question | null = null;
  let underway: Question | null = null;
  let next: Question | null = null;
  let ticket = 0;

  function send(question: Question): void {
    const changed = question.photos.filter((photo) => known.get(photo.id) !== photo);
    for (const photo of changed) known.set(photo.id, photo);
    const message: FindingsMessage = {
      ticket: ++ticket,
      template: question.template === told?.template ? null : question.template,
      changed,
      order: question.photos === told?.photos ? null : question.photos.map(({ id }) => id),
    };
    told = underway = question;
    worker ??= started();
    worker.postMessage(message);
    timer = setTimeout(() => (timer = setTimeout(() => giveUp(TOO_LONG), GRACE)), PATIENCE);
  }

  /** What waits for the answer comes next. */
  function goOn(): void {
    clearTimeout(timer);
    underway = null;
    const waiting = next;
    next = null;
    if (waiting) send(waiting);
  }

  function started(): Worker {
    const made = start();
    made.onmessage = ({ data }: MessageEvent<FindingsAnswer>) => {
      // What one that was ended had still sent is no answer to what came after.
      if (made !== worker) return;
      if ('error' in data) return giveUp(data.error);
      onChange(data.change, underway!);
      goOn();
    };
    made.onerror = () => made === worker && giveUp(STOPPED);
    return made;
  }

  function end(): void {
    clearTimeout(timer);
    worker?.terminate();
    worker = null;
  }

  function giveUp(error: string): void {
    end();
    known.clear();
    told = null;
    onError(error);
    goOn();
  }

  return {
    ask: (template, photos) => {
      if (template === told?.template && photos === told.photos && !next) return;
      const question = { template, photos };
      if (underway) next = question;
      else send(question);
    },
    close: end,
  };
}
