/** The main thing in a mask of several. */
import type { Size } from './lab';
import { partsOf, type Mask, type Part } from './masks';

/** Parts of at least this share of the largest one belong to the subject, or are another. */
const OTHERS = 0.3;
/** Parts of less than this share of the picture are specks. */
const SPECK = 1 / 400;

export type MainPart = {
  readonly pixels: readonly number[];
  readonly box: Part['box'];
  /** Things about as large that are not part of it. */
  readonly others: readonly Part[];
};

const gapBetween = ([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box']) =>
  Math.max(l2 - r, l - r2, t2 - b, t - b2, 0);

/** True where one part is about as wide as the other or narrower, and right below or above: the rim of a white pot and its foot. */
function stands([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box'], near: number): boolean {
  const within = (l2 >= l - near && r2 <= r + near) || (l >= l2 - near && r <= r2 + near);
  return near > 0 && within && Math.max(t2 - b, t - b2) <= 0.75 * Math.max(b - t, b2 - t2);
}

const aroundAll = (boxes: readonly Part['box'][]): Part['box'] =>
  boxes.reduce(([l, t, r, b], o) => [Math.min(l, o[0]), Math.min(t, o[1]), Math.max(r, o[2]), Math.max(b, o[3])]);

/**
 * The largest thing near the middle, with the parts that lie close to it; null where there
 * are only specks.
 *
 * @param nearby how close, as a share of the picture's longer side
 */
export function mainPart(mask: Mask, size: Size, nearby: number): MainPart | null {
  const { width, height } = size;
  const parts = partsOf(mask, size).filter((part) => part.pixels.length >= mask.length * SPECK);
  if (parts.length === 0) return null;
  const centred = ({ pixels, box: [l, t, r, b] }: Part) => {
    const off = Math.hypot((l + r) / 2 / width - 0.5, (t + b) / 2 / height - 0.5);
    return pixels.length * (1 - Math.min(0.8, off));
  };
  const main = parts.reduce((best, part) => (centred(part) > centred(best) ? part : best));
  const near = nearby * Math.max(width, height);
  const own = [main];
  for (const { box } of own)
    for (const part of parts)
      if (!own.includes(part) && (gapBetween(part.box, box) <= near || stands(box, part.box, near))) own.push(part);
  return {
    pixels: own.length === 1 ? main.pixels : own.flatMap((part) => part.pixels),
    box: aroundAll(own.map((part) => part.box)),
    others: parts.filter((part) => !own.includes(part) && part.pixels.length >= OTHERS * main.pixels.length),
  };
}
