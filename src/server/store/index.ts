export { asWriteError, digestFile, sha256Of, writeWhole } from './files';
export {
  arrivalsFolder,
  databasePath,
  deliveryFolder,
  destinationsPath,
  originalPath,
  picturePath,
  proxyPath,
} from './paths';
