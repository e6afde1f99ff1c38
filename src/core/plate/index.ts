export { compile, compilePlain, finishOf } from './compile';
export { borderBand, dropShadows, sourceOver } from './layers';
export { compose, type PhotoPixels } from './compose';
export { sharedPlate, type Plate } from './plate';
