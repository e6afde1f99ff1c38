import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import fc from 'fast-check';
import { convexOffset } from './convex-offset';
import type { Polygon } from './flatten';
import { polygonArea } from './measure';

const JOINS = { round: JoinType.Round, miter: JoinType.Miter, bevel: JoinType.Bevel } as const;
const MANNER = { miterLimit: 4, arcTolerance: 0.004, grid: 1e6 };

const join = fc.constantFrom('round', 'miter', 'bevel');

/** Clipper, which looks for crossings: the reference. */
const general = (polygon: Polygon, distance: number, how: keyof typeof JOINS): Polygon[] =>
  inflatePathsD([polygon.map(([x, y]) => ({ x, y }))], distance, JOINS[how], EndType.Polygon, 4, 6, 0.004).map((path) =>
    path.map(({ x, y }) => [x, y] as const),
  );

/** Corners on an ellipse at growing angles are convex, however they lie. */
const convex = fc
  .record({
    angles: fc.uniqueArray(fc.integer({ min: 0, max: 3599 }), { minLength: 3, maxLength: 60 }),
    rx: fc.double({ min: 20, max: 400, noNaN: true }),
    ry: fc.double({ min: 20, max: 400, noNaN: true }),
  })
  .map(({ angles, rx, ry }): Polygon =>
    angles
      .sort((a, b) => a - b)
      .map((angle) => [rx * Math.cos((angle * Math.PI) / 1800), ry * Math.sin((angle * Math.PI) / 1800)] as const),
  );

/** The sharpest corner, degrees. */
const sharpest = (polygon: Polygon) =>
  Math.min(
    ...polygon.map(([x, y], i) => {
      const [[ax, ay], [bx, by]] = [polygon.at(i - 1)!, polygon[(i + 1) % polygon.length]!];
      const cos = ((ax - x) * (bx - x) + (ay - y) * (by - y)) / Math.hypot(ax - x, ay - y) / Math.hypot(bx - x, by - y);
      return (Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI;
    }),
  );

const total = (polygons: readonly Polygon[]) => polygons.reduce((sum, polygon) => sum + polygonArea(polygon), 0);

/** Every corner of one lies within 1/100,000 of a corner of the other. */
const haveSameCorners = (one: Polygon, other: Polygon) =>
  one.every(([x, y]) => other.some(([u, v]) => Math.hypot(x - u, y - v) < 1e-5));

test('grown, it has the corners that a general offset has', () => {
  let asked = 0;
  fc.assert(
    fc.property(convex, fc.double({ min: 0.5, max: 60, noNaN: true }), join, (polygon, distance, how) => {
      const own = convexOffset(polygon, distance, { ...MANNER, join: how });
      // Spikes, and corners too sharp for a mitre, are left to the general offset.
      if (!own) return true;
      asked++;
      const [reference, ...more] = general(polygon, distance, how);
      return more.length === 0 && haveSameCorners(own, reference!) && haveSameCorners(reference!, own);
    }),
    { numRuns: 300, seed: 7 },
  );
  expect(asked).toBeGreaterThan(200);
});

test('shrunk, it covers what a general offset leaves, also where sides vanish', () => {
  let [asked, vanished] = [0, 0];
  fc.assert(
    fc.property(convex, fc.double({ min: 0.5, max: 150, noNaN: true }), join, (polygon, distance, how) => {
      const own = convexOffset(polygon, -distance, { ...MANNER, join: how });
      const reference = general(polygon, -distance, how);
      // Spikes are left to the general offset, and what next to nothing is left of.
      if (!own) return sharpest(polygon) < 5 || total(reference) < 0.01 * polygonArea(polygon);
      asked++;
      if (own.length < polygon.length) vanished++;
      return Math.abs(total(reference) - polygonArea(own)) < 1e-3;
    }),
    { numRuns: 600, seed: 7 },
  );
  expect(asked).toBeGreaterThan(200);
  expect(vanished).toBeGreaterThan(50);
});

test('corners on a circle: inwards along its radii, by d over the cosine of half a turn; outwards d around each of them', () => {
  const circle = Array.from({ length: 360 }, (_, i) => [100 * Math.cos((i * Math.PI) / 180), 100 * Math.sin((i * Math.PI) / 180)] as const); // prettier-ignore
  const half = Math.cos(Math.PI / 360);
  const radii = (d: number) => convexOffset(circle, d, { ...MANNER, join: 'round' })!.map(([x, y]) => Math.hypot(x, y));
  for (const d of [-99, -40, -1]) for (const r of radii(d)) expect(r).toBeCloseTo(100 + d / half, 5);
  for (const d of [1, 40])
    for (const r of radii(d)) {
      expect(r).toBeGreaterThan(100 + d * half - 1e-5);
      expect(r).toBeLessThan(100 + d + 1e-5);
    }
});

test('what is not convex, or runs the other way, is left to a general offset', () => {
  const round = { ...MANNER, join: 'round' } as const;
  const square: Polygon = [[0, 0], [10, 0], [10, 10], [0, 10]]; // prettier-ignore
  expect(convexOffset(square, 1, round)).not.toBeNull();
  expect(convexOffset([...square].reverse(), 1, round)).toBeNull();
  expect(convexOffset([[0, 0], [10, 0], [5, 5], [10, 10], [0, 10]], 1, round)).toBeNull(); // prettier-ignore
  expect(convexOffset([[0, 0], [10, 0]], 1, round)).toBeNull(); // prettier-ignore
  // Twice round turns clockwise alone, too.
  expect(convexOffset([...square, ...square], 1, round)).toBeNull();
});
