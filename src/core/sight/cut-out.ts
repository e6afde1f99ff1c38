/** The thing in a photo that was cut out before: what is opaque, where most of the photo's rim is not. */
import { passing, sidesBetween } from './between';
import type { Size } from './lab';
import { mainPart } from './main-part';
import { subjectOfPixels } from './pixels';
import type { FoundSubject } from './sight';

/** What is more opaque than this belongs to it; a soft shadow does not. */
const OPAQUE = 0.5;
/** Share of the rim that is transparent where a thing was cut out, and not just a photo's corners. */
const RIM = 0.5;
/** All parts are one thing, however far apart, as a share of the longer side. */
const ALL = 2;

function rimOf(alpha: Float32Array, { width, height }: Size): number {
  let [clear, all] = [0, 0];
  const count = (i: number) => {
    all++;
    if (alpha[i]! <= OPAQUE) clear++;
  };
  for (let x = 0; x < width; x++) [x, (height - 1) * width + x].forEach(count);
  for (let y = 0; y < height; y++) [y * width, (y + 1) * width - 1].forEach(count);
  return clear / all;
}

/** @param alpha how opaque each pixel is, 0…1; null where nothing was cut out */
export function cutOutSubject(alpha: Float32Array, size: Size): FoundSubject | null {
  if (rimOf(alpha, size) < RIM) return null;
  const mask = new Uint8Array(alpha.length);
  for (let i = 0; i < mask.length; i++) if (alpha[i]! > OPAQUE) mask[i] = 1;
  const part = mainPart(mask, size, ALL);
  if (!part) return null;
  const sides = sidesBetween(part, size, passing(alpha, OPAQUE));
  return { ...subjectOfPixels(part, { size, sides }), confidence: 1, count: 1 };
}
