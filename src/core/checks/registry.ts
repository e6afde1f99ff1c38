/** All checks, in the order in which they are shown. Adding one is one line here. */
import type { CheckDefinition } from './check';
import { alphaLoss } from './alpha-loss';
import { apart } from './apart';
import { astray } from './astray';
import { bent } from './bent';
import { blurred } from './blurred';
import { captionCut, captionLetters, captionOut, captionSmall } from './captions';
import { clearance } from './clearance';
import { cut } from './cut';
import { enlargement } from './enlargement';
import { exposure } from './exposure';
import { fade } from './fade';
import { altLong, altName, fieldMissing } from './fields';
import { faint } from './faint';
import { faintPicked } from './faint-picked';
import { fine } from './fine';
import { flattened } from './flattened';
import { gap } from './gap';
import { missing } from './missing';
import { opaque } from './opaque';
import { several } from './several';
import { size } from './size';
import { small } from './small';
import { spot } from './spot';
import { streaks } from './streaks';
import { twin } from './twin';
import { unfilled } from './unfilled';
import { unseen } from './unseen';
import { unsure } from './unsure';

export const CHECKS: readonly CheckDefinition[] = [
  astray,
  unfilled,
  gap,
  fade,
  unseen,
  missing,
  several,
  unsure,
  apart,
  spot,
  size,
  clearance,
  streaks,
  enlargement,
  small,
  blurred,
  exposure,
  captionLetters,
  captionOut,
  captionSmall,
  captionCut,
  fieldMissing,
  altLong,
  altName,
  twin,
  flattened,
  cut,
  fine,
  bent,
  faint,
  faintPicked,
  opaque,
  alphaLoss,
];
