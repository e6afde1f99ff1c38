export { after, IDENTITY, inverseOf, mapPoint, stepMap } from './affine';
export { around } from './around';
export { bent, pinAt, type Bent, type Pin } from './bend';
export { boundsOfOutline } from './bounds';
export { resolve, unite, type FillRule } from './combine';
export { cutTo, type Rectangle } from './cut-to';
export { cutAt, isStraight, pointAt } from './cubic';
export type { Control, Extent } from './definition';
export { fourCorners } from './four-corners';
export { boundsOf, flatten, fromTop, type Polygon } from './flatten';
export { fitted, forLibrary, LIBRARY_FRAME, shapeKey, shapeKeys } from './library';
export { shapeFigures, type ShapeFigures } from './figures';
export { areaShare, centroidOf, measureOutline, polygonArea, visualCentreOf } from './measure';
export { difference, joinSchema, offset, union, unionInRow, type Join } from './offset';
export { mapOutline, straight, type Affine, type Contour, type Cubic, type Outline, type Point } from './path';
export { parsePathData, pathData } from './path-data';
export { CATALOGUE, isCalled, type CatalogueEntry } from './presets';
export { raggedOutline, raggedPolygons, roughReach } from './ragged';
export { SHAPES, SHAPE_KINDS } from './registry';
export { roundOutline } from './round';
export { shapeSchema, type Box, type ShapeDocument } from './schema';
export {
  boxPlaces,
  combinedOf,
  completeShape,
  contoursOf,
  isCatalogue,
  keptShape,
  longOutline,
  outlineOf,
  partsMap,
  placing,
  recallOutline,
  scaleShape,
  takesAnyProportion,
  type CatalogueShape,
  type CombinedShape,
  type Shape,
  type ShapePart,
} from './shape';
export { thinnestPart } from './thin';
export { lightened, thinned } from './thinned';
