/** A thing's body: what the eye takes as the thing, without thin parts such as handles, straps and stalks. */
import type { Box } from './boxes';
import type { Size } from './lab';
import type { MainPart } from './main-part';
import { opened, partsOf } from './masks';

/** Parts thinner than this share of the thing's shorter side are no body. */
const THIN = 0.2;
/** A place belongs to the body where so much of the square around it is the thing: specks and scratches count as it. */
const FULL = 0.96;
/** A side of the body so near to the thing's own, as a share of its extent, is that side: squares leave a little of what is round. */
const OWN_SIDE = 0.05;

/** A box as shares of another one's extents, and that again in what the other one is measured in. */
export const partOfBox = ([l, t, w, h]: Box, [x, y, across, down]: Box): Box => [
  l + x * w,
  t + y * h,
  across * w,
  down * h,
];

/** Holes of less than this share of the thing's box are specks. */
const HOLE = 0.003;
/** Handles are at a thing's sides: a hole further in than this share of its width is a pale patch of glaze. */
const OUTER = 0.35;
/** … and one larger than this share of the box is no hole of a handle. */
const LARGE = 0.08;

/**
 * A thing's places without those in holes of its handles, through which the ground is seen: a finder
 * that looks for silhouettes fills them.
 *
 * @param values how unlike the ground each place of the raster is
 * @param limit what is less unlike may be ground
 */
export function withoutHoles(
  { pixels, box: [l, t, r, b] }: Pick<MainPart, 'pixels' | 'box'>,
  values: Float32Array,
  limit: number,
  size: Size,
): readonly number[] {
  const pale = new Uint8Array(values.length);
  for (const i of pixels) if (values[i]! < limit) pale[i] = 1;
  const [left, right] = [l + OUTER * (r - l), r - OUTER * (r - l)];
  const holes = partsOf(opened(pale, size, 1), size).filter(
    ({ pixels: own, box }) => isHole(own.length / ((r - l) * (b - t))) && (box[2] <= left || box[0] >= right),
  );
  if (holes.length === 0) return pixels;
  const hole = new Set(holes.flatMap(({ pixels: own }) => own));
  return pixels.filter((i) => !hole.has(i));
}

const isHole = (share: number) => share >= HOLE && share <= LARGE;

type PixelBox = readonly [left: number, top: number, right: number, bottom: number];

/**
 * The least box around all squares of `THIN` that the thing fills: its box after an opening by them
 * (J. Serra 1982, Image Analysis and Mathematical Morphology). A thing that is thin all over is its own body.
 * In shares of the thing's box.
 *
 * @param pixels places in the raster that belong to the thing
 * @param box the thing's, in pixels: what lies outside it is left out; right and bottom are beyond the last one
 * @param width of the raster
 */
export function bodyOf(pixels: readonly number[], box: PixelBox, width: number): Box {
  const [left, top, right, bottom] = box;
  const [across, down] = [right - left, bottom - top];
  const side = Math.max(1, Math.round(THIN * Math.min(across, down)));
  const row = across + 1;
  const sums = new Uint32Array(row * (down + 1));
  for (const i of pixels) {
    const [x, y] = [(i % width) - left, Math.floor(i / width) - top];
    if (x >= 0 && y >= 0 && x < across && y < down) sums[(y + 1) * row + x + 1] = 1;
  }
  for (let y = 1; y <= down; y++)
    for (let x = 1, k = y * row + 1, own = 0; x <= across; x++, k++) {
      own += sums[k]!;
      sums[k] = own + sums[k - row]!;
    }
  let [l, t, r, b] = [across, down, 0, 0];
  for (let y = 0; y + side <= down; y++)
    for (let x = 0, k = y * row; x + side <= across; x++, k++) {
      const below = k + side * row;
      if (sums[below + side]! - sums[below]! - sums[k + side]! + sums[k]! < FULL * side * side) continue;
      l = Math.min(l, x);
      r = Math.max(r, x + side);
      t = Math.min(t, y);
      b = Math.max(b, y + side);
    }
  if (r === 0) return [0, 0, 1, 1];
  const near = (v: number, own: number, extent: number) => (Math.abs(v - own) <= OWN_SIDE * extent ? own : v) / extent;
  const [x, y] = [near(l, 0, across), near(t, 0, down)];
  return [x, y, near(r, across, across) - x, near(b, down, down) - y];
}
