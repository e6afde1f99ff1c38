export { createFindings, type FindingsSource } from './findings';
export { createPreviewPool, type PreviewPool } from './pool';
export { createShapeFigures } from './shape-figures';
export type { Drawn, PreviewPhoto } from './protocol';
