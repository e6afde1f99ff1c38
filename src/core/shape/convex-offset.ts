/**
 * Offsets of a convex polygon without looking for crossings: there are none. The commonest
 * outlines are convex, and looking for crossings is most of what an offset costs.
 */
import type { Polygon } from './flatten';
import type { Point } from './path';

/** How corners are joined, and the grid that corners lie on. */
type Manner = {
  readonly join: 'round' | 'miter' | 'bevel';
  readonly miterLimit: number;
  /** Largest distance between a round join's arc and its chords, units of the polygon. */
  readonly arcTolerance: number;
  /** Steps of the grid a unit. */
  readonly grid: number;
};

/**
 * A convex polygon's corners on the grid, as numbers side by side: plain loops over them are known to the engine
 * at once, where pairs of them take it longer to get to know than an offset takes.
 */
type Corners = {
  readonly count: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** The unit normal outwards of the side that begins at each. */
  readonly nx: Float64Array;
  readonly ny: Float64Array;
  /** How far the side before each turns into that one. */
  readonly sin: Float64Array;
  readonly cos: Float64Array;
};

/** Corners on the grid; those that fall on the one before them are left out. */
function onGrid(polygon: Polygon, grid: number): Pick<Corners, 'count' | 'x' | 'y'> {
  const x = new Float64Array(polygon.length);
  const y = new Float64Array(polygon.length);
  const last = polygon[polygon.length - 1]!;
  let beforeX = Math.round(last[0] * grid);
  let beforeY = Math.round(last[1] * grid);
  let count = 0;
  for (const place of polygon) {
    const atX = Math.round(place[0] * grid);
    const atY = Math.round(place[1] * grid);
    if (atX !== beforeX || atY !== beforeY) {
      x[count] = atX;
      y[count++] = atY;
    }
    beforeX = atX;
    beforeY = atY;
  }
  return { count, x, y };
}

/** The corners of a polygon that goes once round and turns clockwise (on a screen) alone; null of any other. */
function cornersOf(polygon: Polygon, grid: number): Corners | null {
  const { count, x, y } = onGrid(polygon, grid);
  const [nx, ny, sin, cos] = [0, 1, 2, 3].map(() => new Float64Array(count)) as [Float64Array, Float64Array, Float64Array, Float64Array]; // prettier-ignore
  for (let i = 0; i < count; i++) {
    const next = i + 1 === count ? 0 : i + 1;
    const dx = x[next]! - x[i]!;
    const dy = y[next]! - y[i]!;
    const k = 1 / Math.sqrt(dx * dx + dy * dy);
    nx[i] = dy * k;
    ny[i] = -dx * k;
  }
  let turned = 0;
  for (let i = 0; i < count; i++) {
    const before = i === 0 ? count - 1 : i - 1;
    sin[i] = ny[i]! * nx[before]! - ny[before]! * nx[i]!;
    cos[i] = ny[i]! * ny[before]! + nx[i]! * nx[before]!;
    if (sin[i]! < 0 || cos[i]! <= -STRAIGHT_ON) return null;
    turned += Math.atan2(sin[i]!, cos[i]!);
  }
  return Math.abs(turned - 2 * Math.PI) < 1 ? { count, x, y, nx, ny, sin, cos } : null;
}

/** Sides whose turn has a larger cosine run on in one another: a mitre, however corners are joined. */
const STRAIGHT_ON = 0.999;

/** What corner `i` becomes further out; false where none of these joins is its own. */
function growCorner(corners: Corners, i: number, distance: number, manner: Manner, out: Point[]): boolean {
  const { join, miterLimit, arcTolerance, grid } = manner;
  const before = i === 0 ? corners.count - 1 : i - 1;
  const x = corners.x[i]!;
  const y = corners.y[i]!;
  const bx = corners.nx[before]!;
  const by = corners.ny[before]!;
  const ax = corners.nx[i]!;
  const ay = corners.ny[i]!;
  const cos = corners.cos[i]!;
  if (join !== 'round') {
    if (cos > STRAIGHT_ON || (join === 'miter' && cos > 2 / (miterLimit * miterLimit) - 1)) {
      const k = distance / (cos + 1);
      out.push([Math.round(x + (bx + ax) * k), Math.round(y + (by + ay) * k)]);
      return true;
    }
    if (join === 'miter') return false;
  }
  out.push([Math.round(x + bx * distance), Math.round(y + by * distance)]);
  if (join === 'round') {
    // A step of the arc.
    const turn = 2 * Math.acos(1 - (arcTolerance * grid) / distance);
    const s = Math.sin(turn);
    const c = Math.cos(turn);
    let dx = bx * distance;
    let dy = by * distance;
    for (let left = Math.ceil(Math.atan2(corners.sin[i]!, cos) / turn); left > 1; left--) {
      const across = dx * c - s * dy;
      dy = dx * s + c * dy;
      dx = across;
      out.push([Math.round(x + dx), Math.round(y + dy)]);
    }
  }
  out.push([Math.round(x + ax * distance), Math.round(y + ay * distance)]);
  return true;
}

/** Every side moved outwards; null where a corner has none of these joins. */
function grown(corners: Corners, distance: number, manner: Manner): Point[] | null {
  const out: Point[] = [];
  for (let i = 0; i < corners.count; i++) if (!growCorner(corners, i, distance, manner, out)) return null;
  return out;
}

/** Lines by both of their ends, x, y, x, y of one after the other. */
type Lines = Float64Array;

/** Where two lines meet, into `at`. */
function meet(lines: Lines, one: number, other: number, at: Float64Array): void {
  const a = one * 4;
  const c = other * 4;
  const ax = lines[a + 2]! - lines[a]!;
  const ay = lines[a + 3]! - lines[a + 1]!;
  const cx = lines[c + 2]! - lines[c]!;
  const cy = lines[c + 3]! - lines[c + 1]!;
  const t = ((lines[a]! - lines[c]!) * cy - (lines[a + 1]! - lines[c + 1]!) * cx) / (ay * cx - cy * ax);
  at[0] = lines[a]! + t * ax;
  at[1] = lines[a + 1]! + t * ay;
}

/** How one line turns into another: positive clockwise. */
function turnInto(lines: Lines, one: number, other: number): number {
  const a = one * 4;
  const c = other * 4;
  return (
    (lines[a + 2]! - lines[a]!) * (lines[c + 3]! - lines[c + 1]!) -
    (lines[a + 3]! - lines[a + 1]!) * (lines[c + 2]! - lines[c]!)
  );
}

/** Whether a place lies on the left of a line. */
function isBeyond(lines: Lines, line: number, at: Float64Array): boolean {
  const a = line * 4;
  const across = (lines[a + 2]! - lines[a]!) * (at[1]! - lines[a + 1]!);
  return across - (lines[a + 3]! - lines[a + 1]!) * (at[0]! - lines[a]!) < 0;
}

/** Of lines in the order that they turn in those that the area right of all of them touches; null where nothing is left. */
function touched(lines: Lines, count: number): Int32Array | null {
  const kept = new Int32Array(count);
  const at = new Float64Array(2);
  let first = 0;
  let end = 0;
  for (let line = 0; line < count; line++) {
    for (; end - first > 1; end--) {
      meet(lines, kept[end - 2]!, kept[end - 1]!, at);
      if (!isBeyond(lines, line, at)) break;
    }
    for (; end - first > 1; first++) {
      meet(lines, kept[first]!, kept[first + 1]!, at);
      if (!isBeyond(lines, line, at)) break;
    }
    if (end > first && turnInto(lines, kept[end - 1]!, line) <= 0) return null;
    kept[end++] = line;
  }
  for (; end - first > 2; end--) {
    meet(lines, kept[end - 2]!, kept[end - 1]!, at);
    if (!isBeyond(lines, kept[first]!, at)) break;
  }
  for (; end - first > 2; first++) {
    meet(lines, kept[first]!, kept[first + 1]!, at);
    if (!isBeyond(lines, kept[end - 1]!, at)) break;
  }
  if (end - first < 3 || turnInto(lines, kept[end - 1]!, kept[first]!) <= 0) return null;
  return kept.subarray(first, end);
}

/**
 * The area right of all lines, which are given in the order that they turn in: lines that it does not
 * touch are left out (half-planes sorted by their direction, as in de Berg and others, "Computational Geometry",
 * from memory). Null where nothing is left.
 */
function within(lines: Lines, count: number): Point[] | null {
  const kept = touched(lines, count);
  if (!kept) return null;
  const places = new Float64Array(kept.length * 2);
  for (let i = 0; i < kept.length; i++)
    meet(lines, kept[i === 0 ? kept.length - 1 : i - 1]!, kept[i]!, places.subarray(2 * i));
  const out: Point[] = [];
  for (let i = 0; i < kept.length; i++) {
    const next = i + 1 === kept.length ? 0 : i + 1;
    const k = kept[i]! * 4;
    const along = (places[2 * next]! - places[2 * i]!) * (lines[k + 2]! - lines[k]!);
    // What is left of each side runs as the side did.
    if (along + (places[2 * next + 1]! - places[2 * i + 1]!) * (lines[k + 3]! - lines[k + 1]!) < 0) return null;
    out.push([Math.trunc(places[2 * i]!), Math.trunc(places[2 * i + 1]!)]);
  }
  return out;
}

/** Every side moved inwards; null where nothing is left. */
function shrunk({ count, x, y, nx, ny, sin }: Corners, distance: number): Point[] | null {
  const lines: Lines = new Float64Array(count * 4);
  let many = 0;
  for (let i = 0; i < count; i++) {
    // A side that goes straight on is of the same line.
    if (sin[i] === 0) continue;
    let end = i + 1 === count ? 0 : i + 1;
    while (sin[end] === 0) end = end + 1 === count ? 0 : end + 1;
    const dx = nx[i]! * distance;
    const dy = ny[i]! * distance;
    lines[many] = Math.round(x[i]! + dx);
    lines[many + 1] = Math.round(y[i]! + dy);
    lines[many + 2] = Math.round(x[end]! + dx);
    lines[many + 3] = Math.round(y[end]! + dy);
    many += 4;
  }
  return within(lines, many / 4);
}

/** Of polygons that are offset again and again their corners. */
const known = new WeakMap<Polygon, { readonly grid: number; readonly corners: Corners | null }>();

function cornersKept(polygon: Polygon, grid: number): Corners | null {
  const before = known.get(polygon);
  if (before?.grid === grid) return before.corners;
  const corners = cornersOf(polygon, grid);
  known.set(polygon, { grid, corners });
  return corners;
}

/**
 * A convex polygon grown or shrunk by a distance, as a general offset would, each corner on its grid.
 *
 * @param distance units of the polygon; grown where it is positive
 * @returns null where that takes a general offset: it is not convex, a mitre too long, or nothing is left
 */
export function convexOffset(polygon: Polygon, distance: number, manner: Manner): Polygon | null {
  const corners = polygon.length < 3 ? null : cornersKept(polygon, manner.grid);
  if (!corners) return null;
  const far = distance * manner.grid;
  const places = far > 0 ? grown(corners, far, manner) : far < 0 ? shrunk(corners, far) : null;
  const unit = 1 / manner.grid;
  return places && places.map(([x, y]) => [x * unit, y * unit] as const);
}
