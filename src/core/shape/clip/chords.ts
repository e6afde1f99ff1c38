/** Outlines as chords on Clipper's grid of whole numbers, each chord knowing the curve that it stands for. */
import type { Path64 } from 'clipper2-ts';
import { pieces } from '../flatten';
import { pointAt } from '../cubic';
import type { Contour, Cubic, Point } from '../path';
import { withoutSpikes } from '../spikes';

/** Cells of the grid along the longer side: products of two coordinates stay exact in doubles. */
const CELLS = 2 ** 24;

/** Chords keep this near to their curves, a share of all that is clipped; of the contour alone, ten times that. */
const FINENESS = 1e-5;
const OF_ITS_OWN = 10;

/** With more chords than this they are kept coarser, at most so many times. Where curves cross is found on the curves. */
const PLENTY = 12_000;
const COARSEST = 8;

/** Of one boolean: curves, and chords by the number of the vertex that they begin at (from 1; 0 is Clipper's "none"). */
export type Chords = {
  readonly starts: readonly Point[];
  readonly cubics: readonly Cubic[];
  /** The curve of a chord, and the stretch of it. */
  readonly cubicOf: readonly number[];
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** The vertices before and after. */
  readonly next: readonly number[];
  readonly last: readonly number[];
  /** Vertices by their place on the grid. */
  readonly at: ReadonlyMap<number, readonly number[]>;
  /** Grid cells per unit, and the unit's place of the grid's origin. */
  readonly scale: number;
  readonly origin: Point;
  /** Distance between chords and curves, in units. */
  readonly tolerance: number;
  /** How many chords a level line meets on average, times the levels: what sweeping them costs. */
  readonly work: number;
  readonly paths: readonly (readonly Path64[])[];
};

/** One number for a place on the grid. */
export const placeKey = (x: number, y: number): number => x * 2 ** 26 + y;

type Bounds = [left: number, top: number, right: number, bottom: number];

/** Bounds of the curves' control points, which hold the curves. */
function controlBounds(contours: readonly Contour[]): Bounds {
  const bounds: Bounds = [Infinity, Infinity, -Infinity, -Infinity];
  const add = (x: number, y: number) => {
    if (x < bounds[0]) bounds[0] = x;
    if (y < bounds[1]) bounds[1] = y;
    if (x > bounds[2]) bounds[2] = x;
    if (y > bounds[3]) bounds[3] = y;
  };
  for (const { start, cubics } of contours) {
    add(start[0], start[1]);
    for (const [x1, y1, x2, y2, x, y] of cubics) {
      add(x1, y1);
      add(x2, y2);
      add(x, y);
    }
  }
  return bounds;
}

/** Collects vertices and chords; those that fall on the same cell as the one before are left out. */
function collector(scale: number, origin: Point) {
  const [starts, cubics]: [Point[], Cubic[]] = [[], []];
  const [cubicOf, from, to, next, last]: number[][] = [[0], [0], [0], [0], [0]];
  const at = new Map<number, number[]>();

  function addContour({ start, cubics: own }: Contour, tolerance: number): Path64 {
    const path: Path64 = [];
    let begin = start;
    for (const cubic of own) {
      const n = pieces(begin[0], begin[1], cubic, tolerance);
      starts.push(begin);
      cubics.push(cubic);
      for (let i = 0; i < n; i++) {
        const [px, py] = i === 0 ? begin : pointAt(begin, cubic, i / n);
        const [x, y] = [Math.round((px - origin[0]) * scale), Math.round((py - origin[1]) * scale)];
        const before = path[path.length - 1];
        const id = cubicOf!.length;
        if (before && before.x === x && before.y === y) {
          // Nothing to see between the two: the chord before ends where this one does.
          if (cubicOf![id - 1] === cubics.length - 1) to![id - 1] = (i + 1) / n;
          else [cubicOf![id - 1], from![id - 1], to![id - 1]] = [cubics.length - 1, i / n, (i + 1) / n];
          continue;
        }
        path.push({ x, y, z: id });
        cubicOf!.push(cubics.length - 1);
        from!.push(i / n);
        to!.push((i + 1) / n);
        next!.push(0);
        last!.push(0);
      }
      begin = [cubic[4], cubic[5]];
    }
    const kept = withoutSpikes(path);
    kept.forEach(({ z }, i) => {
      const following = kept[(i + 1) % kept.length]!.z!;
      next![z!] = following;
      last![following] = z!;
    });
    for (const { x, y, z } of kept) {
      const key = placeKey(x, y);
      const known = at.get(key);
      if (known) known.push(z!);
      else at.set(key, [z!]);
    }
    return kept;
  }
  return { addContour, starts, cubics, cubicOf: cubicOf!, from: from!, to: to!, next: next!, last: last!, at };
}

/** Lines that a sweep keeps at a time, on average over its levels, times the levels. */
function workOf(paths: readonly Path64[]): number {
  let [count, down, top, bottom] = [0, 0, Infinity, -Infinity];
  for (const path of paths)
    path.forEach(({ y }, i) => {
      count++;
      down += Math.abs(path[(i + 1) % path.length]!.y - y);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    });
  return count * (1 + down / Math.max(1, bottom - top));
}

const sizeOf = ([left, top, right, bottom]: Bounds) => Math.max(right - left, bottom - top);

/** Chords that a tolerance asks for. */
function countChords(contours: readonly Contour[], toleranceOf: (contour: Contour) => number): number {
  let count = 0;
  for (const contour of contours) {
    const tolerance = toleranceOf(contour);
    let [x, y] = contour.start;
    for (const cubic of contour.cubics) {
      count += pieces(x, y, cubic, tolerance);
      [x, y] = [cubic[4], cubic[5]];
    }
  }
  return count;
}

/** Groups of contours as chords on one grid. */
export function chordsOf(groups: readonly (readonly Contour[])[]): Chords {
  const all = groups.flat();
  const bounds = controlBounds(all);
  const extent = Math.max(sizeOf(bounds), 1e-6);
  const scale = CELLS / extent;
  const origin: Point = [bounds[0], bounds[1]];
  const sizes = new Map(all.map((contour) => [contour, sizeOf(controlBounds([contour]))]));
  const within = (coarser: number) => (contour: Contour) =>
    Math.max(Math.min(extent, sizes.get(contour)! * OF_ITS_OWN) * FINENESS * coarser, 2 / scale);
  // Chords go by the root of the tolerance.
  const coarser = Math.min(COARSEST, Math.max(1, (countChords(all, within(1)) / PLENTY) ** 2));
  const { addContour, ...chords } = collector(scale, origin);
  const paths = groups.map((contours) => contours.map((contour) => addContour(contour, within(coarser)(contour))));
  return { ...chords, paths, scale, origin, tolerance: extent * FINENESS * coarser, work: workOf(paths.flat()) };
}
