/** The loops that take jobs from the queue: one delivery and one upload at a time, neither waiting for the other. */
import { eq } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { database, tables, write, type DeliveryState } from '../db';
import { oncePerProcess } from '../once';
import { createRenderPool } from '../render';
import { deliver } from './deliver';
import { announce } from './events';
import { embeddedQueue, type JobKind } from './queue';
import { upload } from './upload';

/** The threads that render, for whoever has something to be rendered. */
export const renderPool = () => oncePerProcess('pool', () => createRenderPool());

/** What a job of a kind is: the row that says how it goes, what is done, and who is told of it. */
type Work = {
  readonly table: typeof tables.deliveries | typeof tables.uploads;
  readonly run: (subject: number, stop: AbortSignal) => Promise<void>;
  readonly tell: (subject: number) => void;
  /** What is said where it ends by an error that nobody foresaw. */
  readonly stopped: string;
};

const WORKS: Readonly<Record<JobKind, Work>> = {
  delivery: {
    table: tables.deliveries,
    run: (id, stop) => deliver(id, { pool: renderPool(), isCancelled: () => stop.aborted }),
    tell: announce,
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
const bell = () => oncePerProcess<Bell>('bell', () => ({ rings: new Map(), stops: new Map() }));

/** Tells the loops that there is something to do. */
export const wakeRunner = () => bell().rings.forEach((ring) => ring());

/** Asks what runs to stop: a delivery after the photos at hand, an upload at once. */
export function askToStop(kind: JobKind, subject: number): void {
  bell().stops.get(`${kind} ${subject}`)?.abort();
}

async function setState(
  work: Work,
  subject: number,
  state: DeliveryState,
  message: string | null = null,
): Promise<void> {
  const finishedAt = state === 'running' ? null : Date.now();
  await write(async (tx) => {
    await tx.update(work.table).set({ state, message, finishedAt }).where(eq(work.table.id, subject));
  });
  work.tell(subject);
}

function sentenceFor(error: unknown, stopped: string): string {
  if (error instanceof WobrelError) return error.message;
  console.error(error);
  return `${stopped}: ${(error as Error)?.message ?? String(error)}`;
}

async function runOne(kind: JobKind, subject: number): Promise<void> {
  const work = WORKS[kind];
  const [row] = await database().select({ state: work.table.state }).from(work.table).where(eq(work.table.id, subject));
  if (!row || row.state === 'cancelled') return;
  const stop = new AbortController();
  const key = `${kind} ${subject}`;
  bell().stops.set(key, stop);
  await setState(work, subject, 'running');
  try {
    await work.run(subject, stop.signal);
    await setState(work, subject, stop.signal.aborted ? 'cancelled' : 'done');
  } catch (error) {
    if (stop.signal.aborted) await setState(work, subject, 'cancelled');
    else await setState(work, subject, 'failed', sentenceFor(error, work.stopped));
  } finally {
    bell().stops.delete(key);
  }
}

/** Runs the next job of a kind; false where there is none. */
async function runNext(kind: JobKind): Promise<boolean> {
  const job = await embeddedQueue.take(kind);
  if (!job) return false;
  await runOne(kind, job.subject);
  await embeddedQueue.finish(job.id);
  return true;
}

const sleepUntilRung = (kind: JobKind) =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, IDLE_MS);
    bell().rings.set(kind, () => {
      clearTimeout(timer);
      resolve();
    });
  });

/**
 * Starts the loops; work that a killed process left is taken up first.
 *
 * @returns ends them after the jobs at hand
 */
export async function startRunner(): Promise<() => Promise<void>> {
  for (const kind of KINDS) await embeddedQueue.recover(kind);
  let stopping = false;
  const loop = async (kind: JobKind) => {
    while (!stopping) {
      try {
        if (!(await runNext(kind))) await sleepUntilRung(kind);
      } catch (error) {
        console.error(error);
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        await embeddedQueue.recover(kind).catch((again: unknown) => console.error(again));
      }
    }
  };
  const running = Promise.all(KINDS.map(loop));
  return () => {
    stopping = true;
    wakeRunner();
    return running.then(() => {});
  };
}
