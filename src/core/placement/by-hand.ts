/** Adjustments as hands make them: moved, scaled about a place, caught by the spot. */
import { heldScale, type Adjustment } from './adjustment';
import type { Point } from './placement';

type Extent = { readonly width: number; readonly height: number };

/** Moved by so many frame units; offsets are kept in shares of the shape's box. */
export const movedBy = (from: Adjustment, { width, height }: Extent, [dx, dy]: Point): Adjustment => ({
  ...from,
  x: from.x + dx / width,
  y: from.y + dy / height,
});

/** Scaled about the wanted spot: an offset by hand grows with the rest. */
export function scaledBy(from: Adjustment, k: number): Adjustment {
  const scale = heldScale(from.scale * k);
  const held = scale / from.scale;
  return { ...from, scale, x: from.x * held, y: from.y * held };
}

/** Scaled about a place of the frame, which stays over the same pixel of the photo; `spot` is the wanted one. */
export function scaledAbout(from: Adjustment, k: number, at: Point, spot: Point, box: Extent): Adjustment {
  const grown = scaledBy(from, k);
  const held = grown.scale / from.scale;
  return movedBy(grown, box, [(at[0] - spot[0]) * (1 - held), (at[1] - spot[1]) * (1 - held)]);
}

/** Two fingers: their distance, and the direction from one to the other in degrees, clockwise. */
export type Fingers = readonly [distance: number, angle: number];

/** How much further two fingers have parted, and turned by the shorter way round: from 179° to −179° is 2°. */
export const betweenFingers = (
  [d0, a0]: Fingers,
  [d, a]: Fingers,
): { readonly scale: number; readonly turn: number } => ({
  scale: d / d0,
  turn: ((((a - a0 + 180) % 360) + 360) % 360) - 180,
});

/** How far something at `at` is from lying on the spot, on each axis alone; 0 where it is not within reach. Frame units. */
export function caughtBy(spot: Point, at: Point, reach: number): Point {
  const catches = (d: number) => (Math.abs(d) < reach ? d : 0);
  return [catches(spot[0] - at[0]), catches(spot[1] - at[1])];
}
