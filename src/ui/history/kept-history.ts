'use client';
/** Histories of the batches that were worked on last, kept by this browser over reloads. */
import { z } from 'zod';
import { keptTemplate, type Template } from '@/core/template';
import { createKept } from '../shared/kept';
import type { History, Step, Steps } from './history';

/** Steps of one batch that are kept each way, and how long their text may be; browsers give a page a few megabytes. */
const STEPS = 60;
const LENGTH = 400_000;
const BATCHES = 3;
const PAUSE_MS = 500;

const stepSchema = z.object({ words: z.string(), part: z.enum(['template', 'photos', 'table']), back: z.unknown(), forth: z.unknown() }); // prettier-ignore
const keptSchema = z.array(z.object({ batch: z.int(), past: z.array(stepSchema), future: z.array(stepSchema) }));
const kept = createKept('history', keptSchema, []);

const NONE: Steps = { past: [], future: [] };

/** Every template among the steps can be read, and the newest one is the one that the server has: else somebody has changed it meanwhile. */
function fits({ past, future }: Steps, template: Template): boolean {
  const ofTemplate = (steps: readonly Step[]) => steps.filter(({ part }) => part === 'template');
  const [before, after] = [ofTemplate(past).at(-1), ofTemplate(future)[0]];
  const now = before ? before.forth : after ? after.back : template;
  if (JSON.stringify(now) !== JSON.stringify(template)) return false;
  try {
    for (const { back, forth } of [...ofTemplate(past), ...ofTemplate(future)]) [back, forth].forEach(keptTemplate);
    return true;
  } catch {
    return false;
  }
}

/** What can be undone and redone of a batch whose template is this one. */
export function recallHistory(batch: number, template: Template): Steps {
  const found = kept.now().find((one) => one.batch === batch);
  return found && fits(found, template) ? found : NONE;
}

/** As many of the steps, from the first on, as have room. */
function fitting(steps: readonly Step[], room: number): readonly Step[] {
  let left = room;
  const beyond = steps.slice(0, STEPS).findIndex((step) => (left -= JSON.stringify(step).length) < 0);
  return steps.slice(0, beyond < 0 ? STEPS : beyond);
}

/** The newest steps back, and the next ones forth. */
const shortened = ({ past, future }: Steps): Steps => ({
  past: fitting([...past].reverse(), LENGTH).toReversed(),
  future: fitting(future, LENGTH),
});

/** Keeps a batch's history as it grows, until the returned function is called. */
export function keepHistory(batch: number, history: History): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = () => {
    clearTimeout(timer);
    timer = undefined;
    const { past, future } = history.steps.getState();
    kept.change((all) => [{ batch, ...shortened({ past, future }) }, ...all.filter((one) => one.batch !== batch)].slice(0, BATCHES) as typeof all); // prettier-ignore
  };
  const onLeave = () => timer !== undefined && keep();
  const stop = history.steps.subscribe(() => {
    timer ??= setTimeout(keep, PAUSE_MS);
  });
  window.addEventListener('pagehide', onLeave);
  return () => {
    stop();
    window.removeEventListener('pagehide', onLeave);
    onLeave();
  };
}
