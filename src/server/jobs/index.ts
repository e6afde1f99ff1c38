export { photoThen, type SeenThen } from './deliver';
export { askToStop, renderPool, startRunner, wakeRunner } from './runner';
