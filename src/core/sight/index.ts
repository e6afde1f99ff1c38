export { overlap } from './boxes';
export { hashBits, hashDistance, type HashBits } from './figures';
export { firstLook, LOOK_SIZE, sightOf, SIGHT_VERSION } from './look';
export { RIM_CELLS } from './rim';
export { taken } from './subject';
export { rimOfMask } from './small-mask';
export type { Raster } from './lab';
export type { FirstLook } from './look';
export type { Face, FoundSubject, Sight } from './sight';
