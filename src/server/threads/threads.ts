/** Threads with a limit of time and memory: a task that goes beyond it ends as an error of that task alone. */
import { join } from 'node:path';
import PQueue from 'p-queue';
import type Piscina from 'piscina';
import { WobrelError } from '../../core/errors';
import { toolsFolder } from '../config';
import { valueOf, type Outcome } from './outcome';

export type ThreadsOptions = {
  /** The bundled worker's file in `dist/`. */
  readonly worker: string;
  /** Where it lies; the running application's `dist` if left out. */
  readonly folder?: string | undefined;
  readonly threads: number;
  /** A task that takes longer is ended with its thread. */
  readonly seconds: number;
  /** Of JavaScript's own memory, a thread. */
  readonly megabytes: number;
  /** What is said of a task that was ended. */
  readonly tooMuch: () => WobrelError;
};

export type Threads = {
  readonly threads: number;
  readonly run: <T>(name: string, task: unknown) => Promise<T>;
  readonly close: () => Promise<void>;
};

/** What Node and the pool call a thread that was ended or died. */
const ENDED = new Set(['AbortError', 'ERR_WORKER_OUT_OF_MEMORY', 'ERR_WORKER_INIT_FAILED']);
const wasEnded = (error: unknown) => {
  const { name, code, message } = error as { name?: string; code?: string; message?: string };
  return (
    ENDED.has(name ?? '') || ENDED.has(code ?? '') || /worker exited|terminating worker thread/i.test(message ?? '')
  );
};

/** Starts threads as they are needed. */
export function createThreads({ worker, folder, threads, seconds, megabytes, tooMuch }: ThreadsOptions): Threads {
  const start = async (): Promise<Piscina> => {
    const { default: Pool } = await import('piscina');
    return new Pool({
      filename: join(folder ?? toolsFolder(), worker),
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: 30_000,
      resourceLimits: { maxOldGenerationSizeMb: megabytes },
    });
  };
  let pool: Promise<Piscina> | null = null;
  // Tasks wait here and not in the pool, so that the time of waiting does not count.
  const waiting = new PQueue({ concurrency: threads });
  const runNow = async <T>(name: string, task: unknown): Promise<T> => {
    const limit = new AbortController();
    const timer = setTimeout(() => limit.abort(), seconds * 1000);
    try {
      const started = await (pool ??= start());
      return valueOf((await started.run(task, { name, signal: limit.signal })) as Outcome<T>);
    } catch (error) {
      throw wasEnded(error) ? tooMuch() : error;
    } finally {
      clearTimeout(timer);
    }
  };
  return {
    threads,
    run: <T>(name: string, task: unknown) => waiting.add(() => runNow<T>(name, task)),
    close: async () => (await pool)?.close({ force: true }),
  };
}
