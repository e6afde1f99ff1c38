export { createRenderPool, plateCache, renderHere, type RenderPool } from './pool';
export type { RenderedFile } from './render';
export type { RenderedPhoto } from './task';
export { renderStamp } from './stamp';
export { shareTemplate } from './shared-template';
