export { octaves } from './noise';
export { TEXTURES, type TextureKind } from './registry';
export { textureSchema } from './schema';
export { alongReader, flatReader, type TextureReader } from './texture';
