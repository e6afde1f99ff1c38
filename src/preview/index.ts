export { createPreviewPool, type PreviewPool } from './pool';
export type { Drawn, PreviewPhoto } from './protocol';
