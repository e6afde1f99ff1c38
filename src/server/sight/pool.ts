/** Threads that look at photos; each photo is looked at once. */
import { join } from 'node:path';
import Piscina from 'piscina';
import type { Sight } from '../../core/sight';
import { renderThreads } from '../config';

export type SightPool = {
  /** What is seen in a photo, or in its proxy. */
  readonly see: (path: string) => Promise<Sight>;
  readonly close: () => Promise<void>;
};

/** @param folder where the bundled worker lies */
export function createSightPool(folder = join(/*turbopackIgnore: true*/ process.cwd(), 'dist')): SightPool {
  const pool = new Piscina({
    filename: join(folder, 'sight-worker.mjs'),
    minThreads: 0,
    maxThreads: renderThreads(),
    idleTimeout: 30_000,
  });
  return {
    see: async (path) => (await pool.run({ path }, { name: 'see' })) as Sight,
    close: () => pool.close({ force: true }),
  };
}
