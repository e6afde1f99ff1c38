export { candidatesOf, STRIDE, type Candidate } from './candidates';
export type { GrabCut } from './cut';
export { busySubject, readied, type Ready } from './find';
export { partOf } from './part';
export { pointedAt } from './pointed';
export type { Raster } from '../lab';
