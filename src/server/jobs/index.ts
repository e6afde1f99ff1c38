export { photoThen, type SeenThen } from './deliver';
export { announce, listen } from './events';
export { askToStop, renderPool, startRunner, wakeRunner } from './runner';
