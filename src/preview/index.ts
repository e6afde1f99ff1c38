export { createFindings, type FindingsSource } from './findings';
export { createPreviewPool, type PreviewPool } from './pool';
export type { Drawn, PreviewPhoto } from './protocol';
