export { candidatesOf, STRIDE, type Candidate } from './candidates';
export type { GrabCut } from './cut';
export { busySubject } from './find';
export { partOf } from './part';
export type { Raster } from '../lab';
