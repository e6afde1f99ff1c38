export { overlap } from './boxes';
export { hashBits, hashDistance, type HashBits } from './figures';
export { look, LOOK_SIZE, SIGHT_VERSION } from './look';
export { RIM_CELLS } from './rim';
export { rimOfMask } from './small-mask';
export type { Face, Sight } from './sight';
