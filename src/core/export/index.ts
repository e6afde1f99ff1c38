export { hasQuality, heavyFinding, mostBytes } from './heavy';
export {
  failedItem,
  findingItem,
  manifestSchema,
  placedItem,
  slotsItem,
  type Manifest,
  type ManifestItem,
  type PlacedItem,
} from './manifest';
export { fileNames, type FileName } from './file-names';
export { namer, plainNameOf, safeName, SUMS_FILE } from './names';
