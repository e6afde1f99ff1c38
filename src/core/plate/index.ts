export { behindPixels, photosBehind, rectBehind, type BehindPixels } from './behind';
export { compile, compilePlain, finishOf } from './compile';
export { borderBand, picksOf, roughAt, sourceOver, thrownShadows, visibleBorders } from './layers';
export { captionFonts, layoutCaption, writeCaptions, type CaptionLayout } from './lettering';
export { compose, type PhotoPixels } from './compose';
export type { PickedColours } from './photo-finish';
export { coloursFor } from './picked';
export { onPlate, sharedPlate, type Plate } from './plate';
export { compileSheet, composeSheet, slotPlates, withoutPhotos, type SlotPhoto } from './sheet';
