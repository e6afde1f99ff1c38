export { readLength } from './length-text';
export { convertUnit, resizeFrame } from './resize';
export { documentSchema, MAX_OUTPUT_WIDTH, type Border, type Shadow } from './schema';
export {
  frameWidthInPixels,
  keptTemplate,
  MAX_PIXELS,
  outputHeight,
  parseTemplate,
  type Output,
  featherReach,
  featherShift,
  templateOutline,
  type Template,
} from './template';
export { pixelsPerUnit } from './units';
