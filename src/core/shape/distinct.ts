/** Outlines that lie on each other: a shape copied in place, or turned onto itself. */
import Flatbush from 'flatbush';
import { boundsOfOutline } from './bounds';
import { pointAt } from './cubic';
import { flatten } from './flatten';
import { areaOf } from './measure';
import type { Outline, Point } from './path';

/** Nearer than this share of their size everywhere, two outlines are one: a hundredth of a pixel of a thousand. */
const SAME = 1e-5;

/** Points of every curve that are looked at. */
const SAMPLES = 6;

/** What an outline looks like at a glance. */
type Glance = {
  readonly outline: Outline;
  readonly bounds: readonly number[];
  readonly area: number;
  readonly size: number;
};

function glanceAt(outline: Outline): Glance {
  const bounds = boundsOfOutline(outline);
  const size = Math.max(bounds[2] - bounds[0], bounds[3] - bounds[1]);
  return { outline, bounds, area: areaOf(outline), size };
}

function distanceSquared([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return (ax + dx * t - x) ** 2 + (ay + dy * t - y) ** 2;
}

/** A function that tells whether a point lies on the outline. */
function liesOn({ outline, size }: Glance): (at: Point) => boolean {
  const reach = size * SAME;
  const sides = flatten(outline, 1, reach / 2).flatMap((polygon) =>
    polygon.map((from, i) => [from, polygon[(i + 1) % polygon.length]!] as const),
  );
  const index = new Flatbush(sides.length);
  for (const [[ax, ay], [bx, by]] of sides)
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  index.finish();
  const isNear = (at: Point) => (i: number) => distanceSquared(at, ...sides[i]!) <= reach * reach;
  return (at) => index.search(at[0] - reach, at[1] - reach, at[0] + reach, at[1] + reach, isNear(at)).length > 0;
}

const samplesOf = (outline: Outline): Point[] =>
  outline.flatMap(({ start, cubics }) =>
    cubics.flatMap((cubic, i) => {
      const from: Point = i === 0 ? start : [cubics[i - 1]![4], cubics[i - 1]![5]];
      return Array.from({ length: SAMPLES }, (_, k) => pointAt(from, cubic, k / SAMPLES));
    }),
  );

/** Bounds, area and number of contours agree: worth a closer look. */
function alike(a: Glance, b: Glance): boolean {
  const reach = a.size * SAME;
  return (
    a.outline.length === b.outline.length &&
    a.bounds.every((v, i) => Math.abs(v - b.bounds[i]!) <= reach) &&
    Math.abs(a.area - b.area) <= 8 * reach * a.size
  );
}

/** The outlines in their order, without those that lie on an earlier one. */
export function distinct(outlines: readonly Outline[]): Outline[] {
  const exact = new Map(outlines.map((outline) => [JSON.stringify(outline), outline]));
  const kept: { readonly glance: Glance; on: ((at: Point) => boolean) | null }[] = [];
  for (const outline of exact.values()) {
    const glance = glanceAt(outline);
    const samples = samplesOf(outline);
    const isKnown = kept.some((one) => {
      if (!alike(one.glance, glance)) return false;
      one.on ??= liesOn(one.glance);
      return samples.every(one.on);
    });
    if (!isKnown) kept.push({ glance, on: null });
  }
  return kept.map(({ glance }) => glance.outline);
}
