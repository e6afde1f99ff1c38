/** Boxes made larger or smaller about a point that stays. */
import { type Box, inverseOf, mapPoint, placing, type Point } from '../shape';

/** A point of the box: −1 its left or top side, 0 its middle, 1 its right or bottom side; as the shape lies before it is turned. */
export type Anchor = readonly [x: -1 | 0 | 1, y: -1 | 0 | 1];

/** Smallest side that a box can be given by pulling, frame units. */
const SMALLEST = 0.01;

/** Where a point of the box lies in the frame. */
export const anchorPoint = (box: Box, [x, y]: Anchor): Point =>
  mapPoint(placing(box), [(x * box.width) / 2, (y * box.height) / 2]);

type Wanted = { readonly width?: number | undefined; readonly height?: number | undefined };

/**
 * The box in another size, `anchor` staying where it is. With `locked` the other side
 * follows in proportion to the one that is said, or to the one that changes more.
 */
export function resizeBox(box: Box, wanted: Wanted, anchor: Anchor, locked: boolean): Box {
  let width = Math.max(wanted.width ?? box.width, SMALLEST);
  let height = Math.max(wanted.height ?? box.height, SMALLEST);
  if (locked) {
    const [kx, ky] = [width / box.width, height / box.height];
    const k = Math.abs(Math.log(kx)) >= Math.abs(Math.log(ky)) ? kx : ky;
    [width, height] = [box.width * k, box.height * k];
  }
  const stays = anchorPoint(box, anchor);
  const moved = anchorPoint({ ...box, width, height }, anchor);
  return { ...box, width, height, cx: box.cx + stays[0] - moved[0], cy: box.cy + stays[1] - moved[1] };
}

/** The box once the corner or side at `grip` is pulled to a point of the frame, the opposite one (or the middle) staying. */
export function pullBox(
  box: Box,
  grip: Anchor,
  to: Point,
  { locked, centred }: { locked: boolean; centred: boolean },
): Box {
  const [x, y] = mapPoint(inverseOf(placing(box)), to);
  const side = (g: number, v: number, before: number) => {
    if (g === 0) return undefined;
    return centred ? 2 * g * v : g * v + before / 2;
  };
  const anchor: Anchor = centred ? [0, 0] : ([-grip[0] || 0, -grip[1] || 0] as unknown as Anchor);
  return resizeBox(box, { width: side(grip[0], x, box.width), height: side(grip[1], y, box.height) }, anchor, locked);
}
