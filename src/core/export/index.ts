export { fileFindings } from './findings';
export { hasLossless, hasQuality, heavyFinding, mostBytes } from './heavy';
export { picturePage, type HtmlFile } from './html';
export { framingPixels, framingSvg } from './framing-svg';
export { cutoutSvg } from './svg';
export { oneBitAlpha } from './one-bit';
export {
  failedItem,
  manifestSchema,
  placedItem,
  slotsItem,
  type Manifest,
  type ManifestItem,
  type PlacedItem,
} from './manifest';
export { fileNames, type FileName } from './file-names';
export { mediaTypeOf, namer, plainNameOf, safeName, SUMS_FILE } from './names';
export { OPEN_RASTER_TYPE, rasterLayerFile, stackXml, type RasterLayer } from './open-raster';
