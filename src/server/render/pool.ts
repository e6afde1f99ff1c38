/**
 * The pool of render threads. Piscina runs the bundled worker (`dist/render-worker.mjs`),
 * the same file for the server and the command line.
 */
import { join } from 'node:path';
import Piscina from 'piscina';
import { WobrelError } from '../../core/errors';
import type { Plate } from '../../core/plate';
import type { Template } from '../../core/template';
import { renderThreads } from '../config';
import type { RenderedFile, RenderTask } from './render';
import type { Outcome } from './worker';

export type RenderPool = {
  readonly threads: number;
  readonly render: (task: RenderTask) => Promise<RenderedFile[]>;
  /** The plate for a size and matte: compiled once, its arrays shared by all threads. */
  readonly plate: (template: Template, width: number, matte: string | null) => Promise<Plate>;
  readonly close: () => Promise<void>;
};

function valueOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new WobrelError(outcome.code, outcome.message, outcome.at);
}

/** @param folder where the bundled worker lies */
export function createRenderPool(folder = join(/*turbopackIgnore: true*/ process.cwd(), 'dist')): RenderPool {
  const threads = renderThreads();
  const pool = new Piscina({
    filename: join(folder, 'render-worker.mjs'),
    minThreads: 1,
    maxThreads: threads,
    idleTimeout: 30_000,
  });
  return {
    threads,
    render: async (task) => valueOf((await pool.run(task, { name: 'render' })) as Outcome<RenderedFile[]>),
    plate: async (template, width, matte) =>
      valueOf((await pool.run({ template, width, matte }, { name: 'plate' })) as Outcome<Plate>),
    close: () => pool.close({ force: true }),
  };
}

/** Plates of one template: each is compiled on first use and then shared. */
export function plateCache(pool: RenderPool, template: Template) {
  const plates = new Map<string, Promise<Plate>>();
  return (width: number, matte: string | null): Promise<Plate> => {
    const key = `${width} ${matte}`;
    const known = plates.get(key);
    if (known) return known;
    const made = pool.plate(template, width, matte);
    plates.set(key, made);
    return made;
  };
}
