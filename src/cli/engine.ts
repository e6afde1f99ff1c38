/** What looks and renders for the command line: threads for many photos, this process for a few. */
import { fileURLToPath } from 'node:url';
import { WobrelError } from '../core/errors';
import type { Plate } from '../core/plate';
import type { Sight } from '../core/sight';
import { renderThreads } from '../server/config';
import { developHeic } from '../server/heic';
import { renderHere, type RenderedPhoto, type Renderer } from '../server/render';
import { lookAt } from '../server/looking';
import { createThreads } from '../server/threads';

export type Engine = Renderer & {
  readonly see: (path: string, all: boolean) => Promise<Sight>;
  readonly develop: (path: string, to: string) => Promise<void>;
};

/** Up to so many photos are done before a thread has started. */
const FEW = 4;

const here: Engine = { ...renderHere, see: lookAt, develop: developHeic };

/** @param photos how many there are */
export function createEngine(photos: number): Engine {
  if (photos <= FEW) return here;
  const { threads, run, close } = createThreads({
    worker: 'worker.cjs',
    folder: fileURLToPath(new URL('../bin', import.meta.url)),
    threads: Math.min(renderThreads(), photos),
    seconds: 240,
    megabytes: 2048,
    tooMuch: () => new WobrelError('photo-too-much', 'The photo took more time or memory than there is.'),
  });
  return {
    threads,
    close,
    see: (path, all) => run<Sight>('see', { path, all }),
    develop: (path, to) => run<void>('develop', { path, to }),
    render: (task) => run<RenderedPhoto>('render', task),
    plate: (task) => run<Plate>('plate', task),
  };
}
