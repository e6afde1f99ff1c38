export { bringKept, keptPaths, keptPicture, smallPicture, type PicturePaths } from './pictures';
