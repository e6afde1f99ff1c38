export { createRenderPool, plateCache, renderHere, type Renderer, type RenderPool } from './pool';
export { shownIn } from './layered';
export type { RenderedFile } from './render';
export type { RenderedPhoto } from './task';
export { renderStamp } from './stamp';
export { shareTemplate } from './shared-template';
export type { Loss } from './loss';
