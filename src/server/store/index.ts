export { asWriteError, digestFile, sha256Of, writeWhole } from './files';
export { arrivalsFolder, databasePath, deliveryFolder, originalPath, picturePath, proxyPath } from './paths';
