export { bentPicture } from './bent';
export { cornersMoved, isConvex, type Corner, type Corners } from './homography';
export { patternReader, type PatternReader } from './pattern';
export { drawnPicture, fitted, FITS } from './draw';
export { bringPictures, pictureAtHand, pictureSchema, PICTURE_SIDE } from './shelf';
export type { PictureRaster } from './levels';
