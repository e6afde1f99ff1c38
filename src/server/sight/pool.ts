/** Threads that look at photos; each photo is looked at once. */
import { WobrelError } from '../../core/errors';
import type { FoundSubject, Pointing, Sight } from '../../core/sight';
import type { ExampleFile } from '../looking';
import { renderThreads } from '../config';
import { createThreads } from '../threads';

export type SightPool = {
  /**
   * What is seen in a photo, or in its proxy.
   *
   * @throws WobrelError `photo-unseen` where it could not be looked at
   */
  readonly see: (path: string) => Promise<Sight>;
  /**
   * The subject that somebody points at (`pointedAt`), in a thread that only waits for that.
   *
   * @throws WobrelError `photo-unseen`
   */
  readonly point: (path: string, pointing: Pointing) => Promise<FoundSubject | null>;
  /**
   * The subject that is like those of other pictures.
   *
   * @throws WobrelError `photo-unseen`
   */
  readonly alike: (path: string, examples: readonly ExampleFile[]) => Promise<FoundSubject | null>;
  readonly close: () => Promise<void>;
};

const unseen = () => new WobrelError('photo-unseen', 'The photo could not be looked at.');

/** @param folder where the bundled worker lies */
export function createSightPool(folder?: string): SightPool {
  const common = { worker: 'sight-worker.mjs', folder, seconds: 60, megabytes: 1024, tooMuch: unseen };
  const looking = createThreads({ ...common, threads: renderThreads() });
  const pointing = createThreads({ ...common, threads: 1 });
  return {
    see: (path) => looking.run<Sight>('see', { path }),
    point: (path, told) => pointing.run<FoundSubject | null>('point', { path, ...told }),
    alike: (path, examples) => looking.run<FoundSubject | null>('alike', { path, examples }),
    close: async () => void (await Promise.all([looking.close(), pointing.close()])),
  };
}
