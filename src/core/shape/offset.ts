/** Outlines grown or shrunk by a distance (Clipper's polygon offsetting). */
import { differenceD, EndType, FillRule, inflatePathsD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { z } from 'zod';
import { convexOffset } from './convex-offset';
import { boundsOf, type Polygon } from './flatten';
import { withoutSpikes } from './spikes';
import { cornersOf, MANY, thinned } from './thinned';

/** How outer corners are drawn (SVG 2 stroke-linejoin). */
export const joinSchema = z.enum(['round', 'miter', 'bevel']);
export type Join = z.infer<typeof joinSchema>;

const JOINS: Readonly<Record<Join, JoinType>> = { round: JoinType.Round, miter: JoinType.Miter, bevel: JoinType.Bevel };

/** SVG 2's initial stroke-miterlimit. */
const MITER_LIMIT = 4;
/** Decimals Clipper keeps: enough that neighbouring bands share their edges exactly. */
const DECIMALS = 6;
/** Largest distance between a round join's arc and its chords, in pixels. */
const ARC_TOLERANCE = 0.004;

/** Up to here, in pixels, arcs are so exact. Of larger ones the tolerance grows with the square, so that each has about a thousand chords at most: it is a sixtieth of a pixel at 2,000. */
const EXACT_TO = 1000;

const GRID = 10 ** DECIMALS;
const onGrid = (v: number) => Math.round(v * GRID) / GRID;

/** What of polygons holds an area. */
const toPaths = (polygons: readonly Polygon[]): PathsD =>
  polygons
    .map((polygon) => withoutSpikes(polygon.map(([x, y]) => ({ x: onGrid(x), y: onGrid(y) }))))
    .filter(({ length }) => length > 2);
const fromPaths = (paths: PathsD): Polygon[] => paths.map((p) => p.map(({ x, y }) => [x, y] as const));

/** All at once: of many corners close to each other each gets an arc of its own, and all arcs cross each other. */
function offsetAtOnce(polygons: readonly Polygon[], distance: number, join: Join, arcTolerance: number): Polygon[] {
  const tolerance = arcTolerance * Math.max(1, Math.abs(distance) / EXACT_TO) ** 2;
  return fromPaths(
    inflatePathsD(toPaths(polygons), distance, JOINS[join], EndType.Polygon, MITER_LIMIT, DECIMALS, tolerance),
  );
}

/** Further than this, pixels, rough outlines are grown or shrunk in steps. */
const NEAR = 4;

/** Of ever more corners each is followed less closely, up to a 32nd of a pixel. */
const LEAST_CLOSE = 8;

/**
 * The same with round joins, in steps that double: discs add up to discs (Minkowski), and each step leaves fewer corners
 * to the next. Each is off by the tolerance at most, and by as much again for its corners.
 */
function offsetInSteps(polygons: readonly Polygon[], distance: number, arcTolerance: number): Polygon[] {
  const doublings = Math.max(0, Math.ceil(Math.log2(Math.abs(distance) / NEAR)));
  const stepped = (from: readonly Polygon[], by: number) => {
    const tolerance = arcTolerance * Math.min(LEAST_CLOSE, Math.max(1, cornersOf(from) / MANY));
    return offsetAtOnce(thinned(from, tolerance), by, 'round', tolerance);
  };
  let step = distance / 2 ** doublings;
  let grown = stepped(polygons, step);
  for (let i = 0; i < doublings; i++, step *= 2) grown = stepped(grown, step);
  return grown;
}

/**
 * All points within `distance` of the polygons (positive), or those at least
 * `-distance` inside them (negative). Thin parts vanish. Units as given.
 */
export function offset(
  polygons: readonly Polygon[],
  distance: number,
  join: Join,
  arcTolerance = ARC_TOLERANCE,
): Polygon[] {
  if (distance === 0) return [...polygons];
  // No place of what is narrower lies so far inside.
  const bounds = boundsOf(polygons);
  if (!bounds || -2 * distance >= Math.min(bounds[2] - bounds[0], bounds[3] - bounds[1])) return [];
  const tolerance = arcTolerance * Math.max(1, Math.abs(distance) / EXACT_TO) ** 2;
  const convex = polygons.length === 1 ? convexOffset(polygons[0]!, distance, { join, miterLimit: MITER_LIMIT, arcTolerance: tolerance, grid: GRID }) : null; // prettier-ignore
  if (convex) return [convex];
  if (join === 'round' && cornersOf(polygons) > MANY) return offsetInSteps(polygons, distance, arcTolerance);
  return offsetAtOnce(polygons, distance, join, arcTolerance);
}

/** What the first polygons cover and the second don't. */
export function difference(polygons: readonly Polygon[], without: readonly Polygon[]): Polygon[] {
  return fromPaths(differenceD(toPaths(polygons), toPaths(without), FillRule.NonZero, DECIMALS));
}

/** Non-overlapping contours of everything covered by any of the polygons (non-zero rule). */
export function union(polygons: readonly Polygon[]): Polygon[] {
  return fromPaths(unionD(toPaths(polygons), [], FillRule.NonZero, DECIMALS));
}

/** So many at once are joined as quickly as few. */
const AT_ONCE = 16;

/** The same of polygons in a row that overlap with those near them most: these are joined first, so that each edge is soon gone from within. */
export function unionInRow(polygons: readonly Polygon[]): Polygon[] {
  if (polygons.length <= AT_ONCE) return union(polygons);
  const half = polygons.length >> 1;
  return union([...unionInRow(polygons.slice(0, half)), ...unionInRow(polygons.slice(half))]);
}
