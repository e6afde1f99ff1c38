/**
 * Rendering, in threads of the bundled worker (`dist/render-worker.mjs`) or right here:
 * the same tasks for the server and the command line.
 */
import { WobrelError } from '../../core/errors';
import type { Plate } from '../../core/plate';
import type { Output, Template } from '../../core/template';
import { renderThreads } from '../config';
import { createThreads } from '../threads';
import type { Loss, LossTask } from './loss';
import type { OwnTask } from './own';
import { lookOf } from './look';
import type { SharedTemplate } from './shared-template';
import { plateTask, renderTask, type PlateTask, type RenderedPhoto, type RenderTask } from './task';

/** What renders, with threads or without. */
export type Renderer = {
  readonly threads: number;
  readonly render: (task: RenderTask) => Promise<RenderedPhoto>;
  /** The plate for a look: compiled once, its arrays shared by all threads. */
  readonly plate: (task: PlateTask) => Promise<Plate>;
  readonly close: () => Promise<void>;
};

export type RenderPool = Renderer & {
  /** What a format lost of a picture. */
  readonly loss: (task: LossTask) => Promise<Loss>;
  /** What photos' own files say of them. */
  readonly own: (task: OwnTask) => Promise<readonly Readonly<Record<string, string>>[]>;
};

/** The largest photo into the largest output takes a small part of this, even on a slow machine. */
const SECONDS = 240;
const MEGABYTES = 2048;

/** @param folder where the bundled worker lies */
export function createRenderPool(folder?: string): RenderPool {
  const { threads, run, close } = createThreads({
    worker: 'render-worker.mjs',
    folder,
    threads: renderThreads(),
    seconds: SECONDS,
    megabytes: MEGABYTES,
    tooMuch: () => new WobrelError('photo-too-much', 'The photo took more time or memory than there is.'),
  });
  return {
    threads,
    render: (task) => run<RenderedPhoto>('render', task),
    plate: (task) => run<Plate>('plate', task),
    loss: (task) => run<Loss>('loss', task),
    own: (task) => run('own', task),
    close,
  };
}

/** The same without threads: for a few photos, which are done before a thread has started. */
export const renderHere: Renderer = {
  threads: 1,
  render: (task) => renderTask(task),
  plate: plateTask,
  close: async () => {},
};

/** Plates of one template: each is compiled on first use and then shared. */
export function plateCache(pool: Pick<Renderer, 'plate'>, template: Template, shared: SharedTemplate) {
  const plates = new Map<string, Promise<Plate>>();
  const plateFor = (output: Output): Promise<Plate> => {
    const look = lookOf(output);
    const key = JSON.stringify(look);
    const known = plates.get(key);
    if (known) return known;
    const made = pool.plate({ template: shared, ...look });
    plates.set(key, made);
    return made;
  };
  const widths = new Set(template.outputs.map(({ width }) => width));
  const widest = template.outputs.reduce((a, b) => (b.width > a.width ? b : a));
  return {
    /** The plate of an output. */
    of: plateFor,
    /** The plate that photos are decoded for; null where all outputs are of one width, and nothing else wants the photo. */
    widest: async (isWanted = false) => (isWanted || widths.size > 1 ? plateFor(widest) : null),
  };
}
