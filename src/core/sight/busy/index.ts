export { DOUBTED, likenessOf, seenAlike, subjectAlike, type Example, type Likeness } from './alike';
export { candidatesOf, STRIDE, type Candidate } from './candidates';
export type { GrabCut } from './cut';
export { partOf, sizeIn } from './part';
export { pointedAt, type Ready } from './pointed';
export { clearIn, rimOf, standingSubject, WIDE, type Salience } from './salience';
export type { Raster } from '../lab';
