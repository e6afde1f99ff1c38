export { bringFonts, fontAtHand } from './shelf';
export { glyphOutline, setLine, xHeightOf, type SetLine } from './set';
