export { compile } from './compile';
export { borderBand, sourceOver } from './layers';
export { compose, type PhotoPixels } from './compose';
export { sharedPlate, type Plate } from './plate';
