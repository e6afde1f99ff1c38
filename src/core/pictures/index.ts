export { drawnPicture, fitted, FITS } from './draw';
export { bringPictures, pictureAtHand, PICTURE_SIDE } from './shelf';
export type { PictureRaster } from './levels';
