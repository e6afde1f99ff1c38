export { embeddedQueue, type JobKind, type JobQueue } from './queue';
