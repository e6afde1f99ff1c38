/** The thinnest part of a shape. */
import { boundsOfOutline } from './bounds';
import { flatten, type Polygon } from './flatten';
import { poleOf, polygonArea } from './measure';
import { difference, offset } from './offset';
import type { Outline, Point } from './path';
import { cornersOf, thinned } from './thinned';

/**
 * What shrinking by d and growing back loses is a thin part where it is larger than this
 * many d²: more than a corner of 9° loses, d²·(cot(α/2) − (π − α)/2), and what a bar of
 * width 2d loses once it is six times as long as wide.
 */
const MORE_THAN_A_CORNER = 12;

/** The shape's longer side in units while it is looked at: half a unit in 240 is as fine as a warning needs. */
const SIZE = 240;
/** Curves are followed this closely, in the same units. */
const COARSE = 0.1;

/** Corners that are looked at; each try takes their square. */
const MOST_POINTS = 500;
/** Where there are more, they are followed less closely, up to this. */
const LOOSE = 0.8;

/** Widths are tried from narrow to wide, each larger than the last by this factor, and the first that tells is then halved in. */
const GROWTH = 1.25;
const HALVINGS = 8;

function followed(given: readonly Polygon[]): readonly Polygon[] {
  let polygons = given;
  for (let close = COARSE; cornersOf(polygons) > MOST_POINTS && close <= LOOSE; close *= 2) polygons = thinned(given, close); // prettier-ignore
  return polygons;
}

/** Parts lost by shrinking and growing back by `distance`: all of it where nothing is left. */
function lost(polygons: readonly Polygon[], distance: number): Polygon[] {
  const opened = offset(offset(polygons, -distance, 'round', COARSE), distance, 'round', COARSE);
  if (opened.length === 0) return [...polygons];
  const left = difference(polygons, opened);
  return left.filter((part) => Math.abs(polygonArea(part)) > MORE_THAN_A_CORNER * distance * distance);
}

/**
 * Width of the thinnest part within half a 240th of the shape's size, and a point within it, in frame units; pointed corners
 * don't count. Null where so many corners matter that it would take long to tell.
 *
 * @param upTo null also where no part is narrower than this: asking for less is quicker
 */
export function thinnestPart(outline: Outline, upTo = Infinity): { readonly width: number; readonly at: Point } | null {
  const [left, top, right, bottom] = boundsOfOutline(outline);
  const k = SIZE / Math.max(right - left, bottom - top);
  const polygons = followed(flatten(outline, k, COARSE));
  if (cornersOf(polygons) > MOST_POINTS) return null;
  const widest = (Math.min(right - left, bottom - top) * k) / 2 + 0.01;
  const most = Math.min(widest, (upTo * k) / 2);
  let low = 0;
  let high = Math.min(0.25, most);
  let parts = lost(polygons, high);
  while (parts.length === 0) {
    if (high === most) return null;
    low = high;
    high = Math.min(high * GROWTH, most);
    parts = lost(polygons, high);
  }
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const here = lost(polygons, middle);
    if (here.length === 0) low = middle;
    else [high, parts] = [middle, here];
  }
  // Well within the largest part: the middle of a ring's bounds is its hole.
  const [x, y] = poleOf(parts.some((part) => polygonArea(part) > 0) ? parts : polygons).point;
  return { width: (2 * high) / k, at: [x / k, y / k] };
}
