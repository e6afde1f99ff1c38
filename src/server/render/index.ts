export { matteOf } from './matte';
export { createRenderPool, plateCache, type RenderPool } from './pool';
export type { RenderedFile } from './render';
