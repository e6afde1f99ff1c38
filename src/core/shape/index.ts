export { after, IDENTITY, inverseOf, mapPoint } from './affine';
export { boundsOfOutline } from './bounds';
export { unite } from './combine';
export type { Control } from './definition';

export { boundsOf, flatten, type Polygon } from './flatten';
export { handlesOf, pullHandle, type Handle } from './handles';
export { fitted, forLibrary, LIBRARY_FRAME, shapeKey, shapeKeys } from './library';
export { areaShare, centroidOf, measureOutline, polygonArea, visualCentreOf } from './measure';
export {
  canRemove,
  contourOf,
  insertNode,
  isSmooth,
  makeCorner,
  makeSmooth,
  moveHandle,
  moveNode,
  nearestOnContour,
  nodesOf,
  removeNode,
  type Node,
  type NodeContour,
} from './nodes';
export { difference, joinSchema, offset, union, type Join } from './offset';
export type { Affine, Outline, Point } from './path';
export { pathData } from './path-data';
export { SHAPES, SHAPE_KINDS, type ShapeKind } from './registry';
export { anchorPoint, pullBox, resizeBox, type Anchor } from './resize';
export { roundOutline } from './round';
export { shapeSchema, type Box, type ShapeDocument } from './schema';
export {
  combinedOf,
  completeShape,
  contoursOf,
  isCatalogue,
  outlineOf,
  partsMap,
  scaleShape,
  type CatalogueShape,
  type CombinedShape,
  type Shape,
  type ShapePart,
} from './shape';
export { catchLines, type Guide } from './snapping';
export { thinnestPart } from './thin';
