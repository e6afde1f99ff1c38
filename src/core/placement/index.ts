export { adjustmentSchema, heldAdjustment, UNADJUSTED, type Adjustment } from './adjustment';
export { betweenFingers, caughtBy, movedBy, scaledAbout, scaledBy, type Fingers } from './by-hand';
export {
  closingAdjustment,
  placer,
  spotOf,
  type PhotoToPlace,
  type Placed,
  type PlacedSubject,
  type Placer,
} from './place';
export { enlargement, inFrame, inPhoto, turned, type Placement, type Size } from './placement';
export { pixelRect } from './pixel-rect';
export { flatSpread, isPlain, outsideOf, scaledSize, seenPart, toScaled } from './spread';
export { handSubjectSchema, subjectOf, type HandSubject } from './subject';
export { withSizes } from './sizes';
export { wantedSize } from './wanted';
export { seenKinds, type SeenKinds } from './seen';
export { seenAgain, type PlacedAgain } from './again';
