export { handlesOf, pullHandle, stepHandle, type Handle } from './handles';
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
export { anchorPoint, pullBox, resizeBox, type Anchor } from './resize';
export { catchLines, type Guide, type Other } from './snapping';
