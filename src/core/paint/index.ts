export { blended, blendRow, blendSchema, isSeparable, type Blend } from './blend';
export { colourSchema, parseColour, type Rgba } from './colour';
export { contrastRatio } from './contrast';
export {
  channelThrough,
  filtersSchema,
  isPerChannel,
  matricesOf,
  matrixRow,
  NO_FILTERS,
  type Filters,
  type Matrix,
} from './filters';
export {
  coloursOf,
  isAreaPaint,
  isClear,
  isLinePaint,
  paintSchema,
  type AreaPaint,
  type LinePaint,
  type Paint,
} from './paint';
export { fillPaint, type PaintRows } from './rows';
export { fillPlaces, placesOf, type PaintBox, type Places } from './places';
export { fadeRamp, flatRamp, RAMP_STEPS, rampOf } from './ramp';
