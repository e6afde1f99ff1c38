export { readLength } from './length-text';
export { mergeTemplates } from './merge';
export { frameWidthInPixels, inFrame, outputHeight, widthFor, type OutputSize } from './output-size';
export { withoutFinish } from './finish';
export { fillFrame, frameIn, withFrame, type Frame } from './frame';
export { documentSchema, frameSchema, MAX_OUTPUT_WIDTH, type Border, type Tint, type Shadow } from './schema';
export {
  keptTemplate,
  MAX_PIXELS,
  parseTemplate,
  type Output,
  featherReach,
  featherShift,
  templateOutline,
  type Template,
} from './template';
export { pixelsPerUnit } from './units';
