/** The loops that take jobs from the queue: one delivery and one upload at a time, neither waiting for the other. */
import { eq } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { tables, type DeliveryState } from '../db';
import { oncePerProcess } from '../once';
import type { JobKind } from '../queue';
import { createRenderPool } from '../render';
import { announce, oncePerWorkspace, type Here } from '../workspace';
import { deliver } from './deliver';
import { upload } from './upload';

/** The threads that render, for whoever has something to be rendered. */
export const renderPool = () => oncePerProcess('pool', () => createRenderPool());

/** What a job of a kind is: the row that says how it goes, what is done, and who is told of it. */
type Work = {
  readonly table: typeof tables.deliveries | typeof tables.uploads;
  readonly run: (here: Here, subject: number, stop: AbortSignal) => Promise<void>;
  readonly tell: (here: Here, subject: number) => void;
  /** What is said where it ends by an error that nobody foresaw. */
  readonly stopped: string;
};

const WORKS: Readonly<Record<JobKind, Work>> = {
  delivery: {
    table: tables.deliveries,
    run: (here, id, stop) => deliver(here, id, { pool: renderPool(), isCancelled: () => stop.aborted }),
    tell: (here, id) => announce(here, `delivery ${id}`),
    stopped: 'The export stopped unexpectedly',
  },
  upload: { table: tables.uploads, run: upload, tell: () => {}, stopped: 'The upload stopped unexpectedly' },
};

const KINDS = Object.keys(WORKS) as JobKind[];

/** How often the queue is looked at when nobody rings. */
const IDLE_MS = 2000;

/** After trouble with the database itself, a full disk say, the loop tries again this much later. */
const RETRY_MS = 5000;

type Bell = { readonly rings: Map<JobKind, () => void>; readonly stops: Map<string, AbortController> };
const bell = (here: Here) => oncePerWorkspace<Bell>(here, 'bell', () => ({ rings: new Map(), stops: new Map() }));

/** Tells the loops that there is something to do. */
export const wakeRunner = (here: Here) => bell(here).rings.forEach((ring) => ring());

/** Asks what runs to stop: a delivery after the photos at hand, an upload at once. */
export function askToStop(here: Here, kind: JobKind, subject: number): void {
  bell(here).stops.get(`${kind} ${subject}`)?.abort();
}

async function setState(
  here: Here,
  work: Work,
  subject: number,
  state: DeliveryState,
  message: string | null = null,
): Promise<void> {
  const finishedAt = state === 'running' ? null : Date.now();
  await here.write(async (tx) => {
    await tx.update(work.table).set({ state, message, finishedAt }).where(eq(work.table.id, subject));
  });
  work.tell(here, subject);
}

function sentenceFor(error: unknown, stopped: string): string {
  if (error instanceof WobrelError) return error.message;
  console.error(error);
  return `${stopped}: ${(error as Error)?.message ?? String(error)}`;
}

async function runOne(here: Here, kind: JobKind, subject: number): Promise<void> {
  const work = WORKS[kind];
  const [row] = await here.db.select({ state: work.table.state }).from(work.table).where(eq(work.table.id, subject));
  if (!row || row.state === 'cancelled') return;
  const stop = new AbortController();
  const key = `${kind} ${subject}`;
  bell(here).stops.set(key, stop);
  await setState(here, work, subject, 'running');
  try {
    await work.run(here, subject, stop.signal);
    await setState(here, work, subject, stop.signal.aborted ? 'cancelled' : 'done');
  } catch (error) {
    if (stop.signal.aborted) await setState(here, work, subject, 'cancelled');
    else await setState(here, work, subject, 'failed', sentenceFor(error, work.stopped));
  } finally {
    bell(here).stops.delete(key);
  }
}

/** Runs the next job of a kind; false where there is none. */
async function runNext(here: Here, kind: JobKind): Promise<boolean> {
  const job = await here.queue.take(kind);
  if (!job) return false;
  await runOne(here, kind, job.subject);
  await here.queue.finish(job.id);
  return true;
}

const sleepUntilRung = (here: Here, kind: JobKind) =>
  new Promise<void>((resolve) => {
    // The process ends when nothing but this waits.
    const timer = setTimeout(resolve, IDLE_MS).unref();
    bell(here).rings.set(kind, () => {
      clearTimeout(timer);
      resolve();
    });
  });

/**
 * Starts the loops; work that a killed process left is taken up first.
 *
 * @returns ends them after the jobs at hand
 */
export async function startRunner(here: Here): Promise<() => Promise<void>> {
  for (const kind of KINDS) await here.queue.recover(kind);
  let stopping = false;
  const loop = async (kind: JobKind) => {
    while (!stopping) {
      try {
        if (!(await runNext(here, kind))) await sleepUntilRung(here, kind);
      } catch (error) {
        console.error(error);
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        await here.queue.recover(kind).catch((again: unknown) => console.error(again));
      }
    }
  };
  const running = Promise.all(KINDS.map(loop));
  return () => {
    stopping = true;
    wakeRunner(here);
    return running.then(() => {});
  };
}
