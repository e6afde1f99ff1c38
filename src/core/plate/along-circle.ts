/** Lines of letters along a circle. */
import type { Point } from '../shape';

/** The circle that a baseline follows; `turns` is 1 where the line runs over its top, −1 below its bottom. */
export type Arc = { readonly centre: Point; readonly radius: number; readonly turns: 1 | -1 };

/** The circle whose top, or bottom, is a place. */
export const arcAt = ([x, y]: Point, radius: number, side: 'over' | 'under'): Arc =>
  side === 'over' ? { centre: [x, y + radius], radius, turns: 1 } : { centre: [x, y - radius], radius, turns: -1 };

/** Where a place `along` the baseline from the circle's top or bottom comes to lie, `up` from it towards the letters' heads, and how far it is turned there; radians clockwise. */
export function onArc(
  { centre, radius, turns }: Arc,
  along: number,
  up = 0,
): { readonly at: Point; readonly angle: number } {
  const angle = (turns * along) / radius;
  // Over a circle heads look away from its centre, below it towards it.
  const away = radius + turns * up;
  return { at: [centre[0] + turns * away * Math.sin(angle), centre[1] - turns * away * Math.cos(angle)], angle };
}
