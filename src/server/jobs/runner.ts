/** The loop that takes jobs from the queue, one delivery at a time. */
import { eq } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { database, tables, write, type DeliveryState } from '../db';
import { oncePerProcess } from '../once';
import { createRenderPool } from '../render';
import { deliver } from './deliver';
import { announce } from './events';
import { embeddedQueue } from './queue';

const { deliveries } = tables;

/** How often the queue is looked at when nobody rings. */
const IDLE_MS = 2000;

/** After trouble with the database itself, a full disk say, the loop tries again this much later. */
const RETRY_MS = 5000;

type Bell = { ring: () => void; cancelled: Set<number> };
const bell = () => oncePerProcess<Bell>('bell', () => ({ ring: () => {}, cancelled: new Set() }));

/** The threads that render, for whoever has something to be rendered. */
export const renderPool = () => oncePerProcess('pool', () => createRenderPool());

/** Tells the loop that there is something to do. */
export const wakeRunner = () => bell().ring();

/** Asks a running delivery to stop after the photos at hand. */
export function askToStop(deliveryId: number): void {
  bell().cancelled.add(deliveryId);
}

async function setState(deliveryId: number, state: DeliveryState, message: string | null = null): Promise<void> {
  const finishedAt = state === 'running' ? null : Date.now();
  await write(async (tx) => {
    await tx.update(deliveries).set({ state, message, finishedAt }).where(eq(deliveries.id, deliveryId));
  });
  announce(deliveryId);
}

function sentenceFor(error: unknown): string {
  if (error instanceof WobrelError) return error.message;
  console.error(error);
  return `The export stopped unexpectedly: ${(error as Error)?.message ?? String(error)}`;
}

async function runDelivery(deliveryId: number): Promise<void> {
  const [row] = await database()
    .select({ state: deliveries.state })
    .from(deliveries)
    .where(eq(deliveries.id, deliveryId));
  if (!row || row.state === 'cancelled') return;
  bell().cancelled.delete(deliveryId);
  await setState(deliveryId, 'running');
  const pool = renderPool();
  const isCancelled = () => bell().cancelled.has(deliveryId);
  try {
    await deliver(deliveryId, { pool, isCancelled });
    await setState(deliveryId, isCancelled() ? 'cancelled' : 'done');
  } catch (error) {
    await setState(deliveryId, 'failed', sentenceFor(error));
  }
}

/** Runs the next job; false where there is none. */
async function runNext(): Promise<boolean> {
  const job = await embeddedQueue.take();
  if (!job) return false;
  if (job.kind === 'delivery') await runDelivery(job.subject);
  await embeddedQueue.finish(job.id);
  return true;
}

const sleepUntilRung = () =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, IDLE_MS);
    bell().ring = () => {
      clearTimeout(timer);
      resolve();
    };
  });

/**
 * Starts the loop; work that a killed process left is taken up first.
 *
 * @returns ends the loop after the job at hand
 */
export async function startRunner(): Promise<() => Promise<void>> {
  await embeddedQueue.recover();
  let stopping = false;
  const loop = async () => {
    while (!stopping) {
      try {
        if (!(await runNext())) await sleepUntilRung();
      } catch (error) {
        console.error(error);
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        await embeddedQueue.recover().catch((again: unknown) => console.error(again));
      }
    }
  };
  const running = loop();
  return () => {
    stopping = true;
    wakeRunner();
    return running;
  };
}
