export { readLength } from './length-text';
export {
  brokenLock,
  DEFINED,
  FIELD_GROUPS,
  isLocked,
  lockableFields,
  OPENABLE,
  openFieldsIn,
  openWords,
  withLocksKept,
  type FieldGroup,
  type LockableField,
  type OpenFields,
} from './locks';
export { saysTheSame } from './same';
export { collisionsOf, mergeTemplates, type Collision } from './merge';
export {
  frameWidthInPixels,
  inPicture,
  outputHeight,
  outputsOf,
  timesSize,
  widthFor,
  type OutputSize,
} from './output-size';
export { holdsProfile, inDisplayP3, isDisplayP3, WIDE_PICTURE } from './display-p3';
export { unenlarged } from './unenlarged';
export { STARTING_FINISHES, withFinish } from './finishes';
export { framingDocument, framingOf, withFraming, type Framing } from './framing';
export { READY_FRAMINGS } from './framings';
export { withoutFinish } from './finish';
export { STARTING_TEMPLATES } from './starting-templates';
export { withShapeMoved, type Moves } from './moving';
export { photoBox, photoOutline } from './photo-room';
export { picturesOf } from './pictures';
export { pictureOf, ratioOf, scaleAt, type Picture } from './picture';
export { FILE_ENDING, fileSchema, openOf, templateText } from './file';
export { fillFrame, frameIn, withFrame, withMat, type Frame } from './frame';
export { documentSchema, frameSchema } from './schema';
export { MAX_PIXELS } from './limits';
export { MAX_OUTPUT_WIDTH } from './outputs';
export { keptPart, type KeptPart } from './trim';
export {
  bandBend,
  bendOf,
  keptTemplate,
  parseTemplate,
  pinsIn,
  type Output,
  type Slot,
  featherReach,
  featherShift,
  templateOutline,
  type Template,
} from './template';
export { arrangedSlots, slotsMoved, type Arrangement, type Company } from './arrange';
export { hasSlots, slotOf, slotTemplate, slotTemplates, withSlotInHand, withSlotPutBack } from './slots';
export { METADATA_LABELS, wantedFields, type WantedField } from './wanted-fields';
export { graspIn, pixelsPerUnit, roundedIn, roundedLengthIn, stepIn, type Unit } from './units';
