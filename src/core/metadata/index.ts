export { holdsMetadata, metadataFor, xmpOf } from './metadata';
