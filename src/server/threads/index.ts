export { createThreads } from './threads';
