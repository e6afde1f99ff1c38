import fc from 'fast-check';
import { seeded } from '../../../demo/generator/random';
import { polygonArea } from './measure';
import { difference, offset, union, unionInRow } from './offset';
import type { Point } from './path';

const total = (polygons: ReturnType<typeof offset>) => polygons.reduce((sum, p) => sum + polygonArea(p), 0);

/** Two squares of 40 with a bar 4 wide and 20 long between them. */
const dumbbell = [
  [
    [0, 0], [40, 0], [40, 18], [60, 18], [60, 0], [100, 0],
    [100, 40], [60, 40], [60, 22], [40, 22], [40, 40], [0, 40],
  ],
] as const; // prettier-ignore

describe('shrinking', () => {
  test('keeps a bar that is wide enough; at its four ends an arc about the corner leaves r²(1 − π/4) more', () => {
    const rest = offset(dumbbell, -1, 'round');
    expect(rest).toHaveLength(1);
    expect(Math.abs(total(rest) / (2 * 38 * 38 + 2 * 22 + 4 * (1 - Math.PI / 4)) - 1)).toBeLessThan(1e-5);
  });

  test('splits where the bar vanishes: two squares of 34, each with what is left of the bar’s mouth', () => {
    const rest = offset(dumbbell, -3, 'round');
    expect(rest).toHaveLength(2);
    // ∫ (4 − 2√(9 − u²)) du from √5 to 3: points at least 3 away from both corners of the mouth.
    const mouth = 4 * (3 - Math.sqrt(5)) - ((9 * Math.PI) / 2 - 2 * Math.sqrt(5) - 9 * Math.asin(Math.sqrt(5) / 3));
    expect(Math.abs(total(rest) / (2 * 34 * 34 + 2 * mouth) - 1)).toBeLessThan(2e-5);
  });

  test('leaves nothing of what is thinner than twice the distance', () => {
    for (const far of [20.01, 100, 1e9]) expect(offset(dumbbell, -far, 'round')).toEqual([]);
    expect(offset([], 3, 'round')).toEqual([]);
  });
});

test('growing a convex polygon obeys Steiner’s formula A + P·r + π·r² (Steiner 1840, from memory)', () => {
  const triangle = [[[0, 0], [30, 0], [0, 40]]] as const; // prettier-ignore
  for (const r of [1, 7.5, 30])
    expect(Math.abs(total(offset(triangle, r, 'round')) / (600 + 120 * r + Math.PI * r * r) - 1)).toBeLessThan(1e-4);
});

test('far beyond any picture arcs have about a thousand chords at most, a sixtieth of a pixel off at 2,000', () => {
  for (const [r, off] of [
    [900, 0.004],
    [2000, 0.016],
    [1e5, 40],
  ] as const) {
    const [grown, ...others] = offset(dumbbell, r, 'round');
    expect(others).toEqual([]);
    expect(grown!.length).toBeLessThan(2500);
    // How far each chord's middle is from what it stands for.
    const away = ([x, y]: readonly [number, number]) => Math.min(...dumbbell[0].map(([cx, cy]) => Math.abs(Math.hypot(x - cx, y - cy) - r))); // prettier-ignore
    const middles = grown!.map(([x, y], i): [number, number] => {
      const [nx, ny] = grown![(i + 1) % grown!.length]!;
      return [(x + nx) / 2, (y + ny) / 2];
    });
    const arcs = middles.filter(([x, y]) => (x < 0 || x > 100) && (y < 0 || y > 40));
    expect(arcs.length).toBeGreaterThan(50);
    expect(Math.max(...arcs.map(away))).toBeLessThan(off * 1.1);
  }
});

test('of thousands of corners, too, every place of the result lies as far from the outline as was asked', () => {
  const next = seeded(7);
  // A torn disc: each corner somewhere between 180 and 200 from its middle.
  const torn = Array.from({ length: 3000 }, (_, i): Point => {
    const [a, r] = [(i / 3000) * 2 * Math.PI, 180 + 20 * next()];
    return [200 + r * Math.cos(a), 200 + r * Math.sin(a)];
  });
  const away = ([x, y]: Point) =>
    Math.min(
      ...torn.map(([ax, ay], i) => {
        const [bx, by] = torn[(i + 1) % torn.length]!;
        const [dx, dy] = [bx - ax, by - ay];
        const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
        return Math.hypot(x - ax - t * dx, y - ay - t * dy);
      }),
    );
  // Off by 0.004 px a step and as much for its corners, twice and a half as much of so many of them.
  for (const [distance, slack] of [
    [3, 0.02],
    [50, 0.06],
    [-30, 0.06],
  ] as const) {
    // prettier-ignore
    const [grown, ...others] = offset([torn], distance, 'round');
    expect(others).toEqual([]);
    const places = grown!.filter((_, i) => i % 40 === 0);
    expect(places.length).toBeGreaterThan(10);
    for (const place of places) expect(Math.abs(away(place) - Math.abs(distance))).toBeLessThan(slack);
  }
});

/** How often a polygon winds round a point (Sunday's crossing rule, from memory). */
const windingOf = (polygon: readonly Point[], px: number, py: number) =>
  polygon.reduce((sum, [ax, ay], i) => {
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    if (ay <= py === by <= py) return sum;
    const isLeft = (bx - ax) * (py - ay) - (px - ax) * (by - ay) > 0;
    return ay <= py ? sum + (isLeft ? 1 : 0) : sum - (isLeft ? 0 : 1);
  }, 0);

describe('lines that run straight back on themselves', () => {
  const level = fc.array(fc.tuple(fc.nat(24), fc.nat(2)), { minLength: 1, maxLength: 12 });
  const covered = (polygons: readonly (readonly Point[])[], x: number, y: number) =>
    polygons.reduce((sum, polygon) => sum + windingOf(polygon, x, y), 0) !== 0;

  // On no line between two corners.
  const places = Array.from({ length: 16 }, (_, i) => [0.4142, 0.7321, 1.2361, 1.6458].map((y): Point => [0.3183 + 1.5 * i, y])).flat(); // prettier-ignore

  // Without its spikes left out, one in 150 of these keeps Clipper running for ever.
  test('hold nothing, and are no trouble to joining, taking away and growing', () => {
    fc.assert(
      fc.property(level, level, (one, other) => {
        const [joined, left] = [union([one, other]), difference([one], [other])];
        offset([one, other], 1.5, 'round');
        offset([one, other], -0.25, 'miter');
        const wrong = places.filter(([x, y]) => {
          const [inOne, inOther] = [covered([one], x, y), covered([other], x, y)];
          return covered(joined, x, y) !== covered([one, other], x, y) || covered(left, x, y) !== (inOne && !inOther);
        });
        expect(wrong).toEqual([]);
      }),
      { numRuns: 1500 },
    );
  });
});

test('dots in a row are joined to what they are joined to all at once', () => {
  const dot = (cx: number): Point[] => Array.from({ length: 24 }, (_, i) => [cx + 9 * Math.cos((Math.PI * i) / 12), 9 * Math.sin((Math.PI * i) / 12)]); // prettier-ignore
  // Some of them touch none of the others.
  const dots = Array.from({ length: 70 }, (_, i) => dot(i < 50 ? i : 20 * i));
  const [inRow, atOnce] = [unionInRow(dots), union(dots)];
  expect(inRow).toHaveLength(21);
  expect(total(inRow)).toBeCloseTo(total(atOnce), 4);
});
