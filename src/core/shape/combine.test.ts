import fc from 'fast-check';
import { combine, intersect, resolve, subtract, unite } from './combine';
import { flatten } from './flatten';
import { areaOf, polygonArea } from './measure';
import { union } from './offset';
import { mapOutline, type Outline } from './path';
import { completeShape, outlineOf } from './shape';
import { shapeSchema } from './schema';

const FRAME = { width: 1080, height: 1080 };
const outline = (document: object): Outline => outlineOf(completeShape(shapeSchema.parse(document), FRAME));

const kinds = ['circle', 'ellipse', 'rectangle', 'polygon', 'star', 'heart', 'ring', 'cross', 'drop', 'seal'] as const;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyShape = fc
  .record({
    kind: fc.constantFrom(...kinds),
    cx: number(300, 700),
    cy: number(300, 700),
    width: number(60, 600),
    height: number(60, 600),
    angle: number(-180, 180),
  })
  .map(({ kind, ...box }) => outline({ kind, box }));

/** Slack for rounding to 1/4096 along the edges. */
const near = (a: number, b: number, scale: number) => expect(Math.abs(a - b)).toBeLessThan(2e-4 * scale + 1);

describe('laws of areas', () => {
  test('|A ∪ B| + |A ∩ B| = |A| + |B|', () => {
    fc.assert(
      fc.property(anyShape, anyShape, (a, b) => {
        const [whole, sum] = [areaOf(unite([a, b])), areaOf(a) + areaOf(b)];
        near(whole + areaOf(intersect(a, b)), sum, sum);
      }),
      { numRuns: 60 },
    );
  });

  test('what is cut and what is kept make the whole; cut, then added again, is the union', () => {
    fc.assert(
      fc.property(anyShape, anyShape, (a, b) => {
        const rest = subtract(a, b);
        near(areaOf(rest) + areaOf(intersect(a, b)), areaOf(a), areaOf(a));
        near(areaOf(unite([rest, b])), areaOf(unite([a, b])), areaOf(a) + areaOf(b));
      }),
      { numRuns: 60 },
    );
  });

  test('with itself: union and overlap change nothing, cutting leaves nothing', () => {
    fc.assert(
      fc.property(anyShape, (a) => {
        near(areaOf(unite([a, a])), areaOf(a), areaOf(a));
        near(areaOf(intersect(a, a)), areaOf(a), areaOf(a));
        near(areaOf(subtract(a, a)), 0, areaOf(a));
      }),
      { numRuns: 40 },
    );
  });

  test('hold for edges that nearly coincide', () => {
    const square = outline({ kind: 'rectangle', box: { cx: 500, cy: 500, width: 400, height: 400 } });
    for (const shift of [0, 1 / 4096, 0.001, 0.01, 0.1, 1]) {
      const other = mapOutline(square, [1, 0, 0, 1, 400 + shift, 0]);
      near(areaOf(unite([square, other])), 320_000, 320_000);
      const over = mapOutline(square, [1, 0, 0, 1, shift, shift]);
      near(areaOf(intersect(square, over)), (400 - shift) ** 2, 160_000);
    }
    const circle = outline({ kind: 'circle', box: { cx: 500, cy: 500, width: 400, height: 400 } });
    for (const turn of [1e-4, 1e-3, 1e-2]) {
      const turned = mapOutline(circle, [
        Math.cos(turn),
        Math.sin(turn),
        -Math.sin(turn),
        Math.cos(turn),
        500 - 500 * Math.cos(turn) + 500 * Math.sin(turn),
        500 - 500 * Math.sin(turn) - 500 * Math.cos(turn),
      ]);
      near(areaOf(unite([circle, turned])), areaOf(circle), areaOf(circle));
    }
  });
});

test('parts are worked off in their order', () => {
  const at = (x: number, width: number) => outline({ kind: 'rectangle', box: { cx: x, cy: 500, width, height: 100 } });
  const parts = [
    { op: 'add', outline: at(300, 200) },
    { op: 'add', outline: at(400, 200) },
    { op: 'cut', outline: at(350, 50) },
    { op: 'overlap', outline: at(300, 150) },
  ] as const;
  // 200…500, without 325…375, of which 225…375 is kept: 225…325.
  expect(areaOf(combine(parts))).toBeCloseTo(100 * 100, 3);
  expect(combine([{ op: 'cut', outline: at(300, 100) }])).toEqual([]);
});

test('a union of 200 parts at once covers what Clipper’s union of their polygons covers', () => {
  const circles = Array.from({ length: 200 }, (_, i) => {
    const angle = (i * 2 * Math.PI) / 200;
    const box = { cx: 540 + 400 * Math.cos(angle), cy: 540 + 400 * Math.sin(angle), width: 60, height: 60 };
    return outline({ kind: 'circle', box });
  });
  const ours = unite(circles);
  const clipper = union(circles.flatMap((circle) => flatten(circle, 1)));
  expect([ours.length, clipper.length]).toEqual([2, 2]);
  const reference = clipper.reduce((sum, polygon) => sum + polygonArea(polygon), 0);
  expect(Math.abs(areaOf(ours) / reference - 1)).toBeLessThan(1e-4);
});

test('holes turn the other way, so that their area counts against the whole', () => {
  const [outer, hole, ...more] = resolve(
    outline({ kind: 'ring', thickness: 0.5 }).map((c) => c),
    'evenodd',
  );
  expect(more).toEqual([]);
  expect([Math.sign(areaOf([outer!])), Math.sign(areaOf([hole!]))].sort((a, b) => a - b)).toEqual([-1, 1]);
});

describe('a combined shape in a template', () => {
  const part = (op: string, shape: object, more: object = {}) => ({ op, shape, ...more });
  const circle = { kind: 'circle', box: { cx: 540, cy: 540, width: 800, height: 800 } };
  const bar = { kind: 'rectangle', box: { cx: 540, cy: 200, width: 60, height: 200 } };

  test('a part that is turned off has no effect, and stays', () => {
    const shape = completeShape(
      shapeSchema.parse({ kind: 'combined', parts: [part('add', circle), part('cut', bar, { off: true })] }),
      FRAME,
    );
    expect(areaOf(outlineOf(shape))).toBeCloseTo(areaOf(outline(circle)), 0);
  });

  test('copies are turned step by step about a point: six bars cut out make six gaps', () => {
    const repeat = { count: 6, angle: 60, about: [540, 540] };
    const shape = outline({ kind: 'combined', parts: [part('add', circle), part('cut', bar, { repeat })] });
    const gap = areaOf(intersect(outline(circle), outline(bar)));
    expect(areaOf(shape)).toBeCloseTo(areaOf(outline(circle)) - 6 * gap, -1);
  });

  test('a box on the whole fits the result; without one it lies where its parts do', () => {
    const parts = [part('add', circle), part('add', bar)];
    const free = completeShape(shapeSchema.parse({ kind: 'combined', parts }), FRAME);
    expect(free.box).toMatchObject({ cx: 540, cy: 520, width: 800, height: 840 });
    const box = { cx: 100, cy: 100, width: 80, height: 42 };
    const fitted = outline({ kind: 'combined', parts, box });
    expect(areaOf(fitted)).toBeCloseTo((areaOf(outlineOf(free)) * 80 * 42) / (800 * 840), 0);
  });

  test('that leaves nothing is refused at its path', () => {
    const parts = [
      part('add', bar),
      part('cut', circle),
      part('overlap', { ...circle, box: { ...circle.box, cx: 5000 } }),
    ];
    expect(() => completeShape(shapeSchema.parse({ kind: 'combined', parts }), FRAME)).toThrow(
      'shape: the shape has no area',
    );
  });

  test('nested too deeply is refused', () => {
    const nest = (depth: number): object =>
      depth === 0 ? circle : { kind: 'combined', parts: [part('add', nest(depth - 1))] };
    expect(() => completeShape(shapeSchema.parse(nest(4)), FRAME)).not.toThrow();
    expect(() => completeShape(shapeSchema.parse(nest(8)), FRAME)).toThrow(/nested too deeply/);
  });
});
