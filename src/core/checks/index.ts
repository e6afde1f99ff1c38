export { countBatch, isToLookAt, type Review } from './counts';
export { findingsOf, type BatchFindings, type BatchPhoto } from './batch';
export type { BatchMeans, CheckDefinition, CheckedPhoto, Finding } from './check';
export { checker, type Checker } from './checker';
export { tooThin } from './fine';
export { meansOf } from './means';
export { CHECKS } from './registry';
export { twinsOf } from './twins';
export { watchFindings, type FindingsChange, type FindingsWatch, type WatchedPhoto } from './watch';
