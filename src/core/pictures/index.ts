export { bentPicture } from './bent';
export { cornersMoved, isConvex, type Corner, type Corners } from './homography';
export { drawnPicture, fitted, FITS } from './draw';
export { bringPictures, pictureAtHand, PICTURE_SIDE } from './shelf';
export type { PictureRaster } from './levels';
