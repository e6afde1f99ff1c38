/**
 * Offsets of a convex polygon without looking for crossings: there are none. The commonest
 * outlines are convex, and looking for crossings is most of what an offset costs.
 */
import type { Polygon } from './flatten';

/** How corners are joined, and the grid that corners lie on. */
type Manner = {
  readonly join: 'round' | 'miter' | 'bevel';
  readonly miterLimit: number;
  /** Largest distance between a round join's arc and its chords, units of the polygon. */
  readonly arcTolerance: number;
  /** Steps of the grid a unit. */
  readonly grid: number;
};

type Place = readonly [x: number, y: number];

/** A corner on the grid, the unit normals outwards of the side before it and the one after it, and how far one turns into the other. */
type Corner = {
  readonly at: Place;
  readonly before: Place;
  readonly after: Place;
  readonly sin: number;
  readonly cos: number;
};

/** The corners of a polygon that goes once round and turns clockwise (on a screen) alone; null of any other. */
function cornersOf(polygon: Polygon, grid: number): Corner[] | null {
  const places = polygon
    .map(([x, y]): Place => [Math.round(x * grid), Math.round(y * grid)])
    .filter(([x, y], i, all) => x !== all.at(i - 1)![0] || y !== all.at(i - 1)![1]);
  const normals = places.map(([x, y], i): Place => {
    const [bx, by] = places[(i + 1) % places.length]!;
    const k = 1 / Math.sqrt((bx - x) * (bx - x) + (by - y) * (by - y));
    return [(by - y) * k, -(bx - x) * k];
  });
  let turned = 0;
  const corners: Corner[] = [];
  for (const [i, at] of places.entries()) {
    const [before, after] = [normals.at(i - 1)!, normals[i]!];
    const sin = after[1] * before[0] - before[1] * after[0];
    const cos = after[0] * before[0] + after[1] * before[1];
    if (sin < 0 || cos <= -STRAIGHT_ON) return null;
    turned += Math.atan2(sin, cos);
    corners.push({ at, before, after, sin, cos });
  }
  return Math.abs(turned - 2 * Math.PI) < 1 ? corners : null;
}

/** Sides whose turn has a larger cosine run on in one another: a mitre, however corners are joined. */
const STRAIGHT_ON = 0.999;

const moved = ([x, y]: Place, [nx, ny]: Place, by: number): Place => [Math.round(x + nx * by), Math.round(y + ny * by)];

/** What a corner becomes further out; null where none of these joins is its own. */
function grownCorner({ at, before, after, sin, cos }: Corner, distance: number, manner: Manner): Place[] | null {
  const { join, miterLimit, arcTolerance, grid } = manner;
  if (join === 'round') {
    // A step of the arc.
    const turn = 2 * Math.acos(1 - (arcTolerance * grid) / distance);
    const [s, c] = [Math.sin(turn), Math.cos(turn)];
    const arc = [moved(at, before, distance)];
    let [x, y] = [before[0] * distance, before[1] * distance];
    for (let i = Math.ceil(Math.atan2(sin, cos) / turn); i > 1; i--) {
      [x, y] = [x * c - s * y, x * s + y * c];
      arc.push([Math.round(at[0] + x), Math.round(at[1] + y)]);
    }
    return [...arc, moved(at, after, distance)];
  }
  if (cos > STRAIGHT_ON || (join === 'miter' && cos > 2 / (miterLimit * miterLimit) - 1))
    return [moved(at, [before[0] + after[0], before[1] + after[1]], distance / (cos + 1))];
  return join === 'miter' ? null : [moved(at, before, distance), moved(at, after, distance)];
}

/** A side's line, both of its ends on the grid. */
type Line = readonly [from: Place, to: Place];

/** Where two lines meet. */
function meeting([a, b]: Line, [c, d]: Line): Place {
  const [ax, ay, cx, cy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const t = ((a[0] - c[0]) * cy - (a[1] - c[1]) * cx) / (ay * cx - cy * ax);
  return [a[0] + t * ax, a[1] + t * ay];
}

/** How one line turns into another: positive clockwise. */
const turnInto = ([a, b]: Line, [c, d]: Line): number => (b[0] - a[0]) * (d[1] - c[1]) - (b[1] - a[1]) * (d[0] - c[0]);

const isBeyond = ([x, y]: Place, [a, b]: Line): boolean => (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) < 0;

/**
 * The area right of all lines, which are given in the order that they turn in: lines that it does not
 * touch are left out (half-planes sorted by their direction, as in de Berg and others, "Computational Geometry",
 * from memory). Null where nothing is left.
 */
function within(lines: readonly Line[]): Place[] | null {
  const kept: Line[] = [];
  let first = 0;
  const meets = (i: number) => meeting(kept[i]!, kept[i + 1]!);
  for (const line of lines) {
    while (kept.length - first > 1 && isBeyond(meets(kept.length - 2), line)) kept.pop();
    while (kept.length - first > 1 && isBeyond(meets(first), line)) first++;
    if (kept.length > first && turnInto(kept.at(-1)!, line) <= 0) return null;
    kept.push(line);
  }
  while (kept.length - first > 2 && isBeyond(meets(kept.length - 2), kept[first]!)) kept.pop();
  while (kept.length - first > 2 && isBeyond(meets(first), kept.at(-1)!)) first++;
  const all = kept.slice(first);
  if (all.length < 3 || turnInto(all.at(-1)!, all[0]!) <= 0) return null;
  const corners = all.map((line, i) => meeting(all.at(i - 1)!, line));
  const runsOn = all.every(([a, b], i) => {
    const [[x0, y0], [x1, y1]] = [corners[i]!, corners[(i + 1) % all.length]!];
    return (x1 - x0) * (b[0] - a[0]) + (y1 - y0) * (b[1] - a[1]) >= 0;
  });
  return runsOn ? corners.map(([x, y]) => [Math.trunc(x), Math.trunc(y)]) : null;
}

/** Every side moved inwards; null where nothing is left. */
function shrunk(corners: readonly Corner[], distance: number): Place[] | null {
  const lines = corners.flatMap(({ at, after, sin }, i): Line[] => {
    // A side that goes straight on is of the same line.
    if (sin === 0) return [];
    let end = i + 1;
    while (corners[end % corners.length]!.sin === 0) end++;
    return [[moved(at, after, distance), moved(corners[end % corners.length]!.at, after, distance)]];
  });
  return within(lines);
}

/**
 * A convex polygon grown or shrunk by a distance, as a general offset would, each corner on its grid.
 *
 * @param distance units of the polygon; grown where it is positive
 * @returns null where that takes a general offset: it is not convex, a mitre too long, or nothing is left
 */
export function convexOffset(polygon: Polygon, distance: number, manner: Manner): Polygon | null {
  const corners = polygon.length < 3 ? null : cornersOf(polygon, manner.grid);
  if (!corners) return null;
  const far = distance * manner.grid;
  const grown = far > 0 ? corners.map((corner) => grownCorner(corner, far, manner)) : null;
  const places = far < 0 ? shrunk(corners, far) : grown!.every((corner) => corner !== null) ? grown!.flat() : null;
  const unit = 1 / manner.grid;
  return places && places.map(([x, y]) => [x * unit, y * unit] as const);
}
