export { compile, compilePlain, finishOf } from './compile';
export { borderBand, thrownShadows, sourceOver } from './layers';
export { compose, type PhotoPixels } from './compose';
export { sharedPlate, type Plate } from './plate';
