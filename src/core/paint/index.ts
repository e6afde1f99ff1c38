export { blendCode, blendRow, blendSchema, isSeparable, type Blend } from './blend';
export { colourSchema, parseColour, type Rgba } from './colour';
export { hexInDisplayP3, rgbInDisplayP3 } from './display-p3';
export { contrastRatio } from './contrast';
export { filterPixels, filtersSchema, isPerChannel, matricesOf, NO_FILTERS, type Filters } from './filters';
export { mixRow, rowOf, type Matrix } from './kernel';
export {
  areaPaintSchema,
  groundPaintSchema,
  isPattern,
  coloursOf,
  isClear,
  isPicked,
  isTexture,
  linePaintSchema,
  type AreaPaint,
  type GroundPaint,
  type PatternPaint,
  type LinePaint,
  type Picked,
  type TexturePaint,
} from './paint';
export { fillPaint, type PaintRows } from './rows';
export { fillPlaces, placesOf, type PaintBox, type Places } from './places';
export { fadeRamp, flatRamp, RAMP_STEPS, rampOf, type Ramp } from './ramp';
