import fc from 'fast-check';
import { coverage } from '../raster';
import { crossesItself } from './crossing';
import { flatten } from './flatten';
import { areaOf, measureOutline } from './measure';
import { DEFINITIONS } from './registry';
import { completeShape, outlineOf } from './shape';
import { shapeSchema } from './schema';

const FRAME = { width: 1000, height: 1000 };
const shapeOf = (document: object) => completeShape(shapeSchema.parse(document), FRAME);
const boxed = (kind: string, width = 800, height = 600) => ({ kind, box: { cx: 500, cy: 500, width, height } });
const mask = (document: object) =>
  coverage(flatten(outlineOf(shapeOf(document)), 0.2), { left: 0, top: 0, width: 200, height: 200 });

describe.each(DEFINITIONS.map(({ kind, params, controls }) => [kind, { params, controls }] as const))(
  '%s',
  (kind, { params, controls }) => {
    test('has a control for each of its parameters', () => {
      expect(Object.keys(controls).sort()).toEqual(Object.keys(params).sort());
    });

    test('lies within its box, is filled, and its sides touch where the box is what it wants', () => {
      const { bounds, area } = measureOutline(outlineOf(shapeOf(boxed(kind))));
      const [left, top, right, bottom] = bounds;
      expect([left >= 99.99, top >= 199.99, right <= 900.01, bottom <= 800.01]).toEqual([true, true, true, true]);
      expect([left < 100.1, top < 200.1, right > 899.9, bottom > 799.9]).toContain(true);
      expect(area).toBeGreaterThan(0.15 * 800 * 600);
    });

    test('is closed without jumps, clockwise outside, and has no loops', () => {
      const outline = outlineOf(shapeOf(boxed(kind)));
      for (const { start, cubics } of outline) {
        const last = cubics[cubics.length - 1]!;
        expect([last[4], last[5]]).toEqual([...start]);
      }
      const polygons = flatten(outline, 0.2);
      const filled = coverage(polygons, { left: 0, top: 0, width: 200, height: 200 }).reduce((sum, v) => sum + v, 0);
      // Loops and overlaps would count twice in one of these and once in the other.
      expect(filled / (areaOf(outline) * 0.04)).toBeCloseTo(1, 2);
    });

    test('turned by 90° is what its quarter turn is; mirrored, its mirror image', () => {
      const plain = mask(boxed(kind));
      const turned = mask({ ...boxed(kind), box: { ...boxed(kind).box, angle: 90 } });
      const mirrored = mask({ ...boxed(kind), box: { ...boxed(kind).box, mirror: true } });
      let worst = 0;
      for (let y = 0; y < 200; y++)
        for (let x = 0; x < 200; x++) {
          worst = Math.max(worst, Math.abs(plain[y * 200 + x]! - turned[x * 200 + 199 - y]!));
          worst = Math.max(worst, Math.abs(plain[y * 200 + x]! - mirrored[y * 200 + 199 - x]!));
        }
      expect(worst * 255).toBeLessThan(2);
    });
  },
);

/** Largest difference between pixels of a mask and what lies at their mirrored places, 0…255. */
function asymmetry(pixels: Float32Array, mirrored: (x: number, y: number) => number): number {
  let worst = 0;
  for (let y = 0; y < 200; y++)
    for (let x = 0; x < 200; x++) worst = Math.max(worst, Math.abs(pixels[y * 200 + x]! - pixels[mirrored(x, y)]!));
  return worst * 255;
}

/** Kinds that are the same on both sides of their upright axis, and of their level one. */
test.each([
  'circle',
  'ellipse',
  'rectangle',
  'superellipse',
  'polygon',
  'star',
  'seal',
  'ring',
  'heart',
  'drop',
  'leaf',
  'cross',
  'shield',
  'ticket',
  'arch',
  'diamond',
  'half-round',
])('%s is symmetrical left to right', (kind) => {
  expect(asymmetry(mask(boxed(kind)), (x, y) => y * 200 + 199 - x)).toBeLessThan(2);
});
test.each([
  'circle',
  'ellipse',
  'rectangle',
  'superellipse',
  'ring',
  'arrow',
  'chevron',
  'cross',
  'tag',
  'ticket',
  'diamond',
])('%s is symmetrical top to bottom', (kind) => {
  expect(asymmetry(mask(boxed(kind)), (x, y) => (199 - y) * 200 + x)).toBeLessThan(2);
});

test('whatever the parameters within their limits, outlines are finite and filled', () => {
  const lots = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 });
  fc.assert(
    fc.property(
      fc.constantFrom(...DEFINITIONS),
      lots,
      fc.double({ min: 5, max: 900, noNaN: true }),
      fc.double({ min: 5, max: 900, noNaN: true }),
      ({ kind, controls, params }, lot, width, height) => {
        const document: Record<string, unknown> = boxed(kind, width, height);
        Object.entries(controls as Record<string, { as: string }>).forEach(([key, { as }], i) => {
          if (as === 'choice' || as === 'corners') return;
          const schema = (
            params as Record<
              string,
              { unwrap: () => { minValue: number | null; maxValue: number | null; format?: string | null } }
            >
          )[key]!.unwrap();
          const [min, max] = [schema.minValue ?? 0, Math.min(schema.maxValue ?? 500, 500)];
          const value = min + lot[i % 8]! * (max - min);
          document[key] = as === 'count' && schema.format === 'safeint' ? Math.round(value) : value;
        });
        const outline = outlineOf(shapeOf(document));
        expect(outline.flatMap((c) => [...c.start, ...c.cubics.flat()]).every(Number.isFinite)).toBe(true);
        expect(areaOf(outline)).toBeGreaterThan(0);
        expect(outline.some(crossesItself)).toBe(false);
      },
    ),
    { numRuns: 500 },
  );
});

test('lobes of a seal are never deeper than where they only touch: r·cos(π/n) / (1 + sin(π/n)) from the middle', () => {
  const [contour] = outlineOf(shapeOf({ ...boxed('seal', 800, 800), lobes: 6, depth: 0.5 }));
  const notch = 400 * (Math.cos(Math.PI / 6) / (1 + Math.sin(Math.PI / 6)));
  const [x, y] = contour!.start;
  expect(Math.hypot(x - 500, y - 500)).toBeCloseTo(notch, 2);
});
