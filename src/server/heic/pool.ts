/** Threads that develop HEIC photos: one takes a second or two, and none of it on the server's event loop. */
import { WobrelError } from '../../core/errors';
import { renderThreads } from '../config';
import { oncePerProcess } from '../once';
import { createThreads } from '../threads';

const threads = () =>
  oncePerProcess('heic', () =>
    createThreads({
      worker: 'heic-worker.mjs',
      threads: renderThreads(),
      seconds: 120,
      megabytes: 1024,
      tooMuch: () => new WobrelError('photo-too-much', 'The photo took more time or memory than there is.'),
    }),
  );

/**
 * Develops a HEIC photo in a thread (see develop.ts).
 *
 * @throws WobrelError `photo-broken`, `photo-too-large` or `photo-too-much`
 */
export const developInThread = (path: string, to: string): Promise<void> =>
  threads().run<void>('develop', { path, to });
