/** The part of a picture that an output keeps. */
import type { z } from 'zod';
import type { outputSchema } from './outputs';

type Trim = z.infer<typeof outputSchema>['trim'];

/** Whole pixels; what lies beyond the picture is empty. */
export type KeptPart = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };

/**
 * What is kept round the pixels that are not fully transparent; null for the whole picture.
 *
 * @param inked the smallest part that holds them all; null or empty where there are none
 * @param scale pixels a frame unit
 */
export function keptPart(inked: KeptPart | null, trim: Trim, scale: number): KeptPart | null {
  if (trim === false || !inked || inked.width < 1 || inked.height < 1) return null;
  if (trim === true) return inked;
  const room = Math.round(trim.room * scale);
  const [width, height] = [inked.width + 2 * room, inked.height + 2 * room];
  const side = Math.max(width, height);
  const [w, h] = trim.square ? [side, side] : [width, height];
  // An odd pixel more goes to the right and below.
  const left = inked.left - room - Math.floor((w - width) / 2);
  const top = inked.top - room - Math.floor((h - height) / 2);
  return { left, top, width: w, height: h };
}

/** The largest file that what is kept of a picture of a size can come to, pixels. */
export function mostKept(trim: Trim, scale: number, [width, height]: readonly [number, number]): KeptPart {
  const whole = { left: 0, top: 0, width, height };
  return keptPart(whole, trim, scale) ?? whole;
}
