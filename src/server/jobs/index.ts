export type { SeenThen } from './deliver';
export { announce, listen } from './events';
export { embeddedQueue } from './queue';
export { askToStop, startRunner, wakeRunner } from './runner';
