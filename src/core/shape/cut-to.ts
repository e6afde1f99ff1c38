/** Polygons cut to a rectangle. */
import type { Polygon } from './flatten';
import type { Point } from './path';

/** Left, top, right, bottom. */
export type Rectangle = readonly [left: number, top: number, right: number, bottom: number];

/** The part of a polygon on one side of an upright or level line; `sign` is 1 for what lies beyond `at`, −1 for what lies before it. */
function beside(polygon: Polygon, axis: 0 | 1, at: number, sign: 1 | -1): Polygon {
  const out: Point[] = [];
  let from = polygon[polygon.length - 1]!;
  let isIn = (from[axis] - at) * sign >= 0;
  for (const to of polygon) {
    const isNext = (to[axis] - at) * sign >= 0;
    if (isIn !== isNext) {
      const share = (at - from[axis]) / (to[axis] - from[axis]);
      const other = from[1 - axis]! + (to[1 - axis]! - from[1 - axis]!) * share;
      out.push(axis === 0 ? [at, other] : [other, at]);
    }
    if (isNext) out.push(to);
    [from, isIn] = [to, isNext];
  }
  return out;
}

/**
 * What polygons cover of a rectangle by the non-zero rule (Sutherland & Hodgman 1974, "Reentrant polygon clipping").
 * Parts of one that lie apart hang together by sides along the rectangle's edge, which cover nothing.
 */
export function cutTo(polygons: readonly Polygon[], [left, top, right, bottom]: Rectangle): Polygon[] {
  const lines = [[0, left, 1], [1, top, 1], [0, right, -1], [1, bottom, -1]] as const; // prettier-ignore
  return polygons
    .map((polygon) =>
      lines.reduce((rest, [axis, at, sign]) => (rest.length === 0 ? rest : beside(rest, axis, at, sign)), polygon),
    )
    .filter(({ length }) => length > 2);
}
