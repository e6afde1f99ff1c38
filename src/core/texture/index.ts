export { octaves } from './noise';
export { TEXTURES, type TextureKind } from './registry';
export { textureSchema, type Texture } from './schema';
export { alongReader, flatReader, type TextureReader } from './texture';
