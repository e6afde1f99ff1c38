/** Threads that look at photos; each photo is looked at once. */
import { WobrelError } from '../../core/errors';
import type { Sight } from '../../core/sight';
import { renderThreads } from '../config';
import { createThreads } from '../threads';

export type SightPool = {
  /**
   * What is seen in a photo, or in its proxy.
   *
   * @throws WobrelError `photo-unseen` where it could not be looked at
   */
  readonly see: (path: string) => Promise<Sight>;
  readonly close: () => Promise<void>;
};

const unseen = () => new WobrelError('photo-unseen', 'The photo could not be looked at.');

/** @param folder where the bundled worker lies */
export function createSightPool(folder?: string): SightPool {
  const { run, close } = createThreads({
    worker: 'sight-worker.mjs',
    folder,
    threads: renderThreads(),
    seconds: 60,
    megabytes: 1024,
    tooMuch: unseen,
  });
  return { see: (path) => run<Sight>('see', { path }), close };
}
