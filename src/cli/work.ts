/** What the command line's threads do: they look and they render. */
import sharp from 'sharp';

sharp.concurrency(1);
sharp.cache(false);

export { develop } from '../server/heic/worker';
export { plate, render } from '../server/render/worker';
export { see } from '../server/sight/worker';
