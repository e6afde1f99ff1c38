export { createKeeping, type Keeping } from './keeping';
export { asWriteError, digestFile, makeFolder, sha256Of, writeWhole } from './files';
export { filesIn, type Files } from './paths';
