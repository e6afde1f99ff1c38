import fc from 'fast-check';
import { paperArea } from '../../testing/paper';
import { combine, resolve } from '../combine';
import { areaOf } from '../measure';
import type { Outline } from '../path';
import { parsePathData, pathData } from '../path-data';
import { completeShape, outlineOf } from '../shape';
import { shapeSchema } from '../schema';

const FRAME = { width: 1080, height: 1080 };
const outline = (document: object): Outline => outlineOf(completeShape(shapeSchema.parse(document), FRAME));
const combined = (parts: object[]) => ({ kind: 'combined', parts });
const disc = (fields: object = {}) => ({
  kind: 'circle',
  box: { cx: 540, cy: 540, width: 800, height: 800, ...fields },
});
const piecesOf = (shape: Outline) => shape.reduce((sum, { cubics }) => sum + cubics.length, 0);

const KINDS = ['circle', 'rectangle', 'star', 'heart', 'ring', 'seal', 'superellipse', 'blob', 'bubble'] as const;
const whole = (min: number, max: number) => fc.integer({ min, max });
const anyShape = fc
  .record({
    kind: fc.constantFrom(...KINDS),
    cx: whole(30, 70),
    cy: whole(30, 70),
    width: whole(6, 60),
    height: whole(6, 60),
    angle: whole(-12, 12),
  })
  .map(({ kind, cx, cy, width, height, angle }) =>
    outline({ kind, box: { cx: cx * 10, cy: cy * 10, width: width * 10, height: height * 10, angle: angle * 15 } }),
  );
const ops = { add: 'unite', cut: 'subtract', overlap: 'intersect' } as const;

test('unions, cuts and overlaps cover what Paper.js’s do, axis-parallel edges that meet included', () => {
  fc.assert(
    fc.property(anyShape, anyShape, fc.constantFrom('add', 'cut', 'overlap' as const), (a, b, op) => {
      const ours = areaOf(combine([{ op: 'add', outline: a }, { op, outline: b }])); // prettier-ignore
      expect(Math.abs(ours - paperArea(pathData(a), ops[op], pathData(b)))).toBeLessThan(
        2e-4 * (areaOf(a) + areaOf(b)) + 1,
      );
    }),
    { numRuns: 40 },
  );
});

test('curves stay the curves that they were: a bite out of a circle ends exactly on it', () => {
  const bitten = outline(combined([{ op: 'add', shape: disc() }, { op: 'cut', shape: disc({ cx: 940 }) }])); // prettier-ignore
  // Eight arcs less what was bitten off, and the bite's own: the crossings cut two of each.
  expect(piecesOf(bitten)).toBeLessThanOrEqual(12);
  // Of circles of one radius whose centres are 400 apart the crossings lie at 200 and √(400² − 200²) from the centre.
  const ends = bitten.flatMap(({ cubics }) => cubics.map(([, , , , x, y]) => [x, y] as const));
  for (const y of [540 - Math.sqrt(120_000), 540 + Math.sqrt(120_000)])
    expect(Math.min(...ends.map((end) => Math.hypot(end[0] - 740, end[1] - y)))).toBeLessThan(0.01);
});

test('a side that runs straight back on itself takes no corner away', () => {
  const d = 'M5.908 11.462L5.908 8.598L7.638 8.598L9 10L7.686 11.462L5.907 11.462Z';
  const shoelace = (5.908 * 8.598 - 5.908 * 11.462 + (5.908 * 8.598 - 7.638 * 8.598) + (7.638 * 10 - 9 * 8.598) + (9 * 11.462 - 7.686 * 10) + (7.686 * 11.462 - 5.908 * 11.462)) / 2; // prettier-ignore
  expect(areaOf(resolve(parsePathData(d), 'nonzero'))).toBeCloseTo(Math.abs(shoelace), 3);
});

describe('copies in place', () => {
  const area = areaOf(outline(disc()));
  const many = (place: (i: number) => object) =>
    outline(combined(Array.from({ length: 400 }, (_, i) => ({ op: 'add', shape: disc(place(i)) }))));

  test('400 circles on each other are one, as is a circle turned onto itself', () => {
    for (const place of [() => ({}), (i: number) => ({ angle: (i * 7.3) % 360 })]) {
      const shape = many(place);
      expect(piecesOf(shape)).toBe(8);
      expect(areaOf(shape)).toBeCloseTo(area, 0);
    }
  });

  test.each([1e-3, 0.1])('400 circles each moved by %d cover a circle drawn out by all of it', (step) => {
    const shape = many((i) => ({ cx: 540 + i * step }));
    expect(shape).toHaveLength(1);
    // A disc moved along a line covers itself and its diameter times the way; what scallops take is less than step²·n.
    expect(Math.abs(areaOf(shape) - (area + 800 * 399 * step))).toBeLessThan(0.03 * 800 + 400 * step * step + 6);
  });
});

describe('more than anybody could wait for is refused with a sentence', () => {
  const refusal = (document: object) => {
    try {
      return String(outline(document).length);
    } catch (error) {
      return (error as Error).message;
    }
  };
  const seal = (cx: number) => ({ kind: 'seal', lobes: 60, box: { cx, cy: 500, width: 300, height: 300 } });

  test('too many segments, copies included', () => {
    expect(refusal(combined([{ op: 'add', shape: combined([{ op: 'add', shape: seal(500), repeat: { count: 120, angle: 3, x: 1 } }]), repeat: { count: 120, x: 2 } }]))).toMatch(/^shape\.parts\[0\]\.shape: the shape is too intricate: it has more than 20,000 segments/); // prettier-ignore
  });

  test('lines that cross everywhere', () => {
    const place = (i: number) => `${(i * 7919) % 1009} ${(i * 104_729) % 1013}`;
    const d = `M${Array.from({ length: 5000 }, (_, i) => place(i)).join('L')}Z`;
    expect(refusal({ kind: 'path', d })).toMatch(/^shape\.d: the shape is too intricate/);
  });

  test('parts whose joining takes more steps than there are left', () => {
    const parts = Array.from({ length: 12 }, (_, i) => ({ op: i % 2 ? 'cut' : 'add', outline: outline(seal(300 + i)) }) as const); // prettier-ignore
    expect(combine(parts)).not.toEqual([]);
    expect(() => combine(parts, { segments: 0, work: 100_000 })).toThrow(
      /^the shape is too intricate: joining its parts/,
    );
  });
});
