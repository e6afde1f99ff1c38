/** A worker that keeps a batch's findings; one question is under way at a time, the newest waits. */
import type { FindingsChange, WatchedPhoto } from '../core/checks';
import type { Template } from '../core/template';
import type { FindingsAnswer, FindingsMessage } from './findings-protocol';

export type FindingsSource = {
  /** Tells what there is to check now. */
  readonly ask: (template: Template, photos: readonly WatchedPhoto[]) => void;
  readonly close: () => void;
};

type Question = { readonly template: Template; readonly photos: readonly WatchedPhoto[] };

/**
 * @param onChange called with every change of the findings, and what they are about
 * @param start makes the worker
 */
export function createFindings(
  onChange: (change: FindingsChange, about: Question) => void,
  onError: (message: string) => void,
  start: () => Worker = () => new Worker(new URL('./findings-worker.ts', import.meta.url), { type: 'module' }),
): FindingsSource {
  const worker = start();
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
    worker.postMessage(message);
  }

  worker.onmessage = ({ data }: MessageEvent<FindingsAnswer>) => {
    const about = underway!;
    underway = null;
    if ('error' in data) onError(data.error);
    else onChange(data.change, about);
    const waiting = next;
    next = null;
    if (waiting) send(waiting);
  };
  worker.onerror = () => onError('Checking stopped unexpectedly; reload the page.');

  return {
    ask: (template, photos) => {
      if (template === told?.template && photos === told.photos && !next) return;
      const question = { template, photos };
      if (underway) next = question;
      else send(question);
    },
    close: () => worker.terminate(),
  };
}
