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
export { namer, safeName } from './names';
