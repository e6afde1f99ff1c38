export { colourSchema, parseColour, type Rgba } from './colour';
export { contrastRatio } from './contrast';
export { paintSchema, type Paint } from './paint';
