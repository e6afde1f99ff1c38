export { holdsMetadata, inXml, metadataFor, xmpOf } from './metadata';
export { OWN_FIELDS, ownFields, type Tags } from './own';
