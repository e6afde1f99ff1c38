export { bandsOf } from './bands';
export { blur } from './blur';
export { coverage, type PixelWindow } from './coverage';
export { continued, type FromRim } from './continued';
export { resample, type Outside } from './resample';
export { softCoverage } from './soft-coverage';
export { alongField, dashField, dashPolygons, type Line } from './along';
export { depthField } from './distance';
export { besideOutline, type Beside } from './beside';
