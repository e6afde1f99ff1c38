export { whileKept, whileNobodyFinds } from './keeping';
export { asWriteError, digestFile, sha256Of, writeWhole } from './files';
export {
  arrivalsFolder,
  deliveriesFolder,
  keptFolder,
  databasePath,
  deliveryFolder,
  destinationsPath,
  originalPath,
  picturePath,
  proxyPath,
} from './paths';
