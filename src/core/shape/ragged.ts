/** Edges that are not quite where their outline is. */
import { octaves } from '../texture';
import { polygonCrosses } from './crossing';
import { flatten, fromTop, type Polygon } from './flatten';
import { union } from './offset';
import { snap, type Contour, type Outline, type Point } from './path';

/** As a template's `rough`: how far to either side at most, no further than a wave is long, and how long that is, in the unit of the outline. */
export type Ragged = {
  readonly kind: 'wobble' | 'waves' | 'scallops' | 'deckled' | 'torn';
  readonly amount: number;
  readonly size: number;
  readonly seed: number;
};

/** How far to either side it goes at most. */
export const roughReach = ({ amount, size }: Pick<Ragged, 'amount' | 'size'>): number => Math.min(amount, size);

/** Places to a wave. */
const STEPS = { wobble: 12, waves: 16, scallops: 24, deckled: 32, torn: 32 } as const;

/** Most places of an outline, shared by its contours by their length. */
const MOST = 8000;
/** Fewest of one. */
const LEAST = 12;

/** How far out an edge goes, −1…1, at a place counted in waves; it repeats after `waves`. */
function swing({ kind, seed }: Ragged, at: number, waves: number): number {
  const line = (fine: number, many: number, own: number) => octaves(at * fine, 0.5, waves * fine, 1, many, seed + own);
  switch (kind) {
    case 'wobble':
      return Math.max(-1, Math.min(1, 2 * line(1, 1, 0)));
    case 'waves':
      return Math.sin(2 * Math.PI * at);
    case 'scallops': {
      const u = 2 * (at - Math.floor(at)) - 1;
      return 2 * Math.sqrt(1 - u * u) - 1;
    }
    case 'deckled':
      return Math.max(-1, Math.min(1, 1.3 * line(1, 4, 0) + 0.5 * line(9, 2, 50)));
    case 'torn': {
      // Steep where it tears, shallow between.
      const tear = line(1, 5, 0);
      return Math.max(-1, Math.min(1, 1.7 * tear + 0.7 * Math.abs(line(5, 3, 70)) - 0.25));
    }
  }
}

/** A closed line by how far along it a place lies. */
function walk(polygon: Polygon) {
  const begins: number[] = [];
  let whole = 0;
  polygon.forEach(([x, y], i) => {
    begins.push(whole);
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    whole += Math.hypot(bx - x, by - y);
  });
  const at = (given: number): Point => {
    const t = given - Math.floor(given / whole) * whole;
    let [low, high] = [0, begins.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (begins[middle]! <= t) low = middle;
      else high = middle - 1;
    }
    const [[ax, ay], [bx, by]] = [polygon[low]!, polygon[(low + 1) % polygon.length]!];
    const long = (low + 1 < begins.length ? begins[low + 1]! : whole) - begins[low]!;
    const share = long > 0 ? (t - begins[low]!) / long : 0;
    return [ax + (bx - ax) * share, ay + (by - ay) * share];
  };
  return { whole, at };
}

type Walk = ReturnType<typeof walk>;

/** Places of a ragged line in their order, at most so many. */
function raggedPoints({ whole, at }: Walk, ragged: Ragged, most: number): Point[] {
  const waves = Math.max(3, Math.round(whole / ragged.size));
  const count = Math.max(LEAST, Math.min(most, waves * STEPS[ragged.kind]));
  // A wave no higher than it is long: others would run across each other without end.
  const amount = roughReach(ragged);
  // Near a corner the way out turns from one side's to the other's.
  const turn = Math.min(ragged.size / 6, whole / 24);
  return Array.from({ length: count }, (_, i): Point => {
    const place = (i / count) * whole;
    const [x, y] = at(place);
    const [[bx, by], [ax, ay]] = [at(place - turn), at(place + turn)];
    const long = Math.hypot(ax - bx, ay - by) || 1;
    const out = amount * swing(ragged, (i / count) * waves, waves);
    // Clockwise on a screen, out lies to the left of the way.
    return [x + ((ay - by) / long) * out, y - ((ax - bx) / long) * out];
  });
}

/** Polygons with ragged edges; what would run across itself is joined. */
export function raggedPolygons(polygons: readonly Polygon[], ragged: Ragged): Polygon[] {
  if (ragged.amount === 0) return [...polygons];
  const walks = polygons
    .filter(({ length }) => length > 2)
    .map((polygon) => walk(fromTop(polygon)))
    .filter(({ whole }) => whole > 0);
  const all = walks.reduce((sum, { whole }) => sum + whole, 0);
  const edges = walks.map((one) => raggedPoints(one, ragged, Math.floor((MOST * one.whole) / all)));
  return edges.some(polygonCrosses) ? union(edges) : edges;
}

/** A closed smooth curve through the points (a uniform Catmull–Rom spline as cubics). */
export function smoothThrough(points: readonly Point[]): Contour {
  const n = points.length;
  const at = (i: number) => points[(i + n) % n]!;
  return {
    start: at(0),
    cubics: points.map((_, i) => {
      const [before, from, to, after] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
      return [
        snap(from[0] + (to[0] - before[0]) / 6),
        snap(from[1] + (to[1] - before[1]) / 6),
        snap(to[0] - (after[0] - from[0]) / 6),
        snap(to[1] - (after[1] - from[1]) / 6),
        to[0],
        to[1],
      ];
    }),
  };
}

/** Straight pieces are this close to the curve, as shares of a wave. */
const FINE = 1 / 400;

/** An outline with ragged edges. */
export function raggedOutline(outline: Outline, ragged: Ragged): Outline {
  if (ragged.amount === 0) return outline;
  const polygons = raggedPolygons(flatten(outline, 1, ragged.size * FINE), ragged);
  return polygons
    .filter(({ length }) => length > 2)
    .map((polygon) => smoothThrough(polygon.map(([x, y]): Point => [snap(x), snap(y)])));
}
