/** A subject out of its pixels. */
import { bodyOf, partOfBox } from './body';
import type { Box } from './boxes';
import type { Size } from './lab';
import type { Part } from './masks';
import type { FoundSubject } from './sight';
import { smallMask } from './small-mask';

/** Where the pixels of a raster lie in the photo, and which of them are the subject's body. */
type Of = {
  readonly size: Size;
  /** The raster in shares of the photo. */
  readonly within?: Box | undefined;
  /** Those of the body, if not all are. */
  readonly solid?: readonly number[];
  /** The sides of its box, if they are known more closely than by whole pixels. */
  readonly sides?: Part['box'];
};

/** Places and area of a subject, in shares of the photo. */
export function subjectOfPixels(
  { pixels, box: whole }: Part,
  { size: { width, height }, within = [0, 0, 1, 1], solid = pixels, sides = whole }: Of,
): Omit<FoundSubject, 'confidence' | 'count'> {
  let [x, y] = [0, 0];
  for (const i of pixels) {
    x += ((i % width) + 0.5) / pixels.length;
    y += (Math.floor(i / width) + 0.5) / pixels.length;
  }
  const [left, top, right, bottom] = sides;
  const box = partOfBox(within, [left / width, top / height, (right - left) / width, (bottom - top) / height]);
  return {
    box,
    body: partOfBox(box, bodyOf(solid, whole, width)),
    centroid: [within[0] + (x / width) * within[2], within[1] + (y / height) * within[3]],
    area: (pixels.length / (width * height)) * within[2] * within[3],
    mask: smallMask(pixels, whole, width),
  };
}
