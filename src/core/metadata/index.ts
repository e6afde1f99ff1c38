export { holdsMetadata, inXml, metadataFor, xmpOf } from './metadata';
