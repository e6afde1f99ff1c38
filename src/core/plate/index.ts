export { behindPixels, photosBehind, rectBehind, type BehindPixels } from './behind';
export { compile, compilePlain, finishOf } from './compile';
export { borderBand, picksOf, roughAt, sourceOver, thrownShadows, visibleBorders } from './layers';
export { captionFonts, layoutCaption, letteringKey, letteringOf, writeCaptions, type CaptionLayout, type Lettering } from './lettering'; // prettier-ignore
export { compose } from './compose';
export { finishedPhoto, type PhotoPixels } from './runs';
export type { PickedColours } from './photo-finish';
export { coloursFor, pickedColour } from './picked';
export { onPlate, sharedPlate, type Plate, type WithBare } from './plate';
export { unpeeled, workingParts, type WorkingParts } from './working';
export { compileSheet, composeSheet, NO_PHOTO, slotPlates, unmixed, withoutPhotos, type SlotPhoto } from './sheet';
