/** The command line's thread: it looks and it renders. */
import sharp from 'sharp';

sharp.concurrency(1);
sharp.cache(false);

export { plate, render } from '../server/render/worker';
export { see } from '../server/sight/worker';
