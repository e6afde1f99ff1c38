import fc from 'fast-check';
import { flatten, offset, outlineOf, type Shape } from '../shape';
import { parseTemplate } from '../template';
import { resvgCoverage, supersample } from '../testing/reference';
import { coverage } from './coverage';

const FRAME = 1080;
const shape = (document: object) => parseTemplate({ wobrel: 1, name: 'test', shape: document }).shape;
const box = { cx: 540.3, cy: 539.6, width: 900, height: 620 };

/** Each with its area in frame units by closed form, and an inside test written from its definition. */
const SHAPES: Record<string, { shape: Shape; area: number; inside: (x: number, y: number) => boolean }> = {
  circle: {
    shape: shape({ kind: 'circle', box }),
    area: Math.PI * 310 ** 2,
    inside: (x, y) => (x - box.cx) ** 2 + (y - box.cy) ** 2 <= 310 ** 2,
  },
  ellipse: {
    shape: shape({ kind: 'ellipse', box }),
    area: Math.PI * 450 * 310,
    inside: (x, y) => ((x - box.cx) / 450) ** 2 + ((y - box.cy) / 310) ** 2 <= 1,
  },
  'rounded rectangle': {
    shape: shape({ kind: 'rectangle', box, radii: [40, 120, 0, 200] }),
    area: 900 * 620 - (1 - Math.PI / 4) * (40 ** 2 + 120 ** 2 + 200 ** 2),
    inside: (x, y) => {
      const [u, v] = [x - box.cx, y - box.cy];
      if (Math.abs(u) > 450 || Math.abs(v) > 310) return false;
      const r = v < 0 ? (u < 0 ? 40 : 120) : u < 0 ? 200 : 0;
      const [du, dv] = [Math.abs(u) - 450 + r, Math.abs(v) - 310 + r];
      return du <= 0 || dv <= 0 || du * du + dv * dv <= r * r;
    },
  },
  hexagon: {
    // Area of a regular polygon: n/2 · R² · sin(2π/n).
    shape: shape({ kind: 'polygon', sides: 6, box: { ...box, height: 900 } }),
    area: 3 * 450 ** 2 * Math.sin(Math.PI / 3),
    inside: (x, y) => {
      const [u, v] = [Math.abs(x - box.cx), Math.abs(y - box.cy)];
      return u <= (450 * Math.sqrt(3)) / 2 && v + u / Math.sqrt(3) <= 450;
    },
  },
};

const render = (s: Shape, width: number) => {
  const polygons = flatten(outlineOf(s), width / FRAME);
  return coverage(polygons, { left: 0, top: 0, width, height: width });
};

describe.each(Object.entries(SHAPES))('coverage of a %s', (_, { shape, area, inside }) => {
  test.each([200, 1080])('sums to the closed-form area within 0.02 % at %i px', (width) => {
    const sum = render(shape, width).reduce((a, b) => a + b, 0);
    const exact = area * (width / FRAME) ** 2;
    expect(Math.abs(sum / exact - 1)).toBeLessThan(0.0002);
  });

  test('edge pixels are within 8/255 of a 64 × 64 supersample, and of resvg within resvg’s own error', () => {
    const width = 200;
    const ours = render(shape, width);
    const theirs = resvgCoverage(outlineOf(shape), width, width, FRAME);
    const scale = FRAME / width;
    let [worst, resvgWorst, between, edges] = [0, 0, 0, 0];
    ours.forEach((share, i) => {
      if (share === 0 || share === 1) return;
      edges++;
      const exact = supersample((x, y) => inside(x * scale, y * scale), i % width, Math.floor(i / width));
      worst = Math.max(worst, Math.abs(share - exact));
      resvgWorst = Math.max(resvgWorst, Math.abs(theirs[i]! / 255 - exact));
      between = Math.max(between, Math.abs(theirs[i]! / 255 - share));
    });
    expect(edges).toBeGreaterThan(300);
    expect(worst * 255).toBeLessThan(8);
    expect(between).toBeLessThanOrEqual(resvgWorst + 8 / 255);
  });
});

const triangle = fc
  .array(fc.tuple(fc.double({ min: -40, max: 60, noNaN: true }), fc.double({ min: -40, max: 60, noNaN: true })), {
    minLength: 3,
    maxLength: 3,
  })
  .map((corners) => corners);

test('coverage of any triangle is between 0 and 1, sums to its area, and a window shows the same pixels', () => {
  fc.assert(
    fc.property(triangle, ([a, b, c]) => {
      const area = Math.abs((b![0] - a![0]) * (c![1] - a![1]) - (c![0] - a![0]) * (b![1] - a![1])) / 2;
      const all = coverage([[a!, b!, c!]], { left: -41, top: -41, width: 102, height: 102 });
      expect(all.every((v) => v >= 0 && v <= 1)).toBe(true);
      expect(all.reduce((s, v) => s + v, 0)).toBeCloseTo(area, 2);
      const part = coverage([[a!, b!, c!]], { left: 0, top: 0, width: 20, height: 20 });
      const same = part.every((v, i) => Math.abs(v - all[(41 + Math.floor(i / 20)) * 102 + 41 + (i % 20)]!) < 1e-5);
      expect(same).toBe(true);
    }),
  );
});

test('many small circles in a small window are covered as in a large one, and sum to their areas', () => {
  const corner = (i: number, k: number, r: number) => [r * Math.cos((i * Math.PI) / 20) + k * 7.3 - 4, r * Math.sin((i * Math.PI) / 20) + 5.6] as const; // prettier-ignore
  const circles = Array.from({ length: 9 }, (_, k) => Array.from({ length: 40 }, (_, i) => corner(i, k, 2 + k / 8)));
  // All but the first and the last lie in it whole; below 4 pixels to a corner.
  const [small, large] = [
    { left: -3, top: 2, width: 56, height: 7 },
    { left: -60, top: -60, width: 200, height: 200 },
  ];
  const [inSmall, inLarge] = [coverage(circles, small), coverage(circles, large)];
  const off = inSmall.filter((v, i) => {
    const [x, y] = [(i % small.width) + small.left, Math.floor(i / small.width) + small.top];
    return Math.abs(v - inLarge[(y - large.top) * large.width + x - large.left]!) > 1e-6;
  });
  expect(off).toHaveLength(0);
  // A regular polygon of 40 corners: 20 · r² · sin 9°.
  const areas = circles.reduce((sum, _, k) => sum + 20 * (2 + k / 8) ** 2 * Math.sin(Math.PI / 20), 0);
  expect(inLarge.reduce((sum, v) => sum + v, 0)).toBeCloseTo(areas, 4);
});

test('a hole that turns the other way is left out', () => {
  const square = (r: number) =>
    [
      [-r, -r],
      [r, -r],
      [r, r],
      [-r, r],
    ] as [number, number][];
  const ring = coverage([square(8), square(3).reverse()], { left: -10, top: -10, width: 20, height: 20 });
  expect(ring.reduce((s, v) => s + v, 0)).toBeCloseTo(16 ** 2 - 6 ** 2, 6);
});

test('offsets of a convex outline follow Steiner’s formula: A + P·d + π·d² (round joins)', () => {
  const polygons = flatten(outlineOf(SHAPES['hexagon']!.shape), 1);
  const perimeter = 6 * 450;
  const sum = coverage(offset(polygons, 40, 'round'), { left: 0, top: 0, width: 1080, height: 1080 }).reduce(
    (s, v) => s + v,
    0,
  );
  const exact = SHAPES['hexagon']!.area + perimeter * 40 + Math.PI * 40 ** 2;
  expect(Math.abs(sum / exact - 1)).toBeLessThan(0.0002);
});

test('an inward offset larger than the shape leaves nothing', () => {
  expect(offset(flatten(outlineOf(SHAPES['circle']!.shape), 1), -311, 'round')).toEqual([]);
});
