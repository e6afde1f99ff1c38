export { failedItem, findingItem, manifestSchema, placedItem, type Manifest, type ManifestItem } from './manifest';
export { namer, safeName } from './names';
