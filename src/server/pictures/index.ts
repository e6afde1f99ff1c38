export { bringKept, keptPaths, keptPicture, type PicturePaths } from './pictures';
