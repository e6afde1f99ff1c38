/** Boxes, lines and points as they are edited on the stage. */
import fc from 'fast-check';
import { areaOf } from '../shape/measure';
import {
  contourOf,
  insertNode,
  isSmooth,
  makeCorner,
  makeSmooth,
  moveHandle,
  moveNode,
  nearestOnContour,
  nodesOf,
  removeNode,
} from './nodes';
import { DEFINITIONS } from '../shape/registry';
import { anchorPoint, pullBox, resizeBox } from './resize';
import { completeShape, outlineOf } from '../shape/shape';
import { shapeSchema } from '../shape/schema';
import { catchLines } from './snapping';

const frame = { width: 900, height: 600 };
const side = fc.constantFrom(-1, 0, 1);
const length = fc.double({ min: 5, max: 800, noNaN: true });
const boxes = fc.record({
  cx: fc.double({ min: -500, max: 900, noNaN: true }),
  cy: fc.double({ min: -500, max: 900, noNaN: true }),
  width: length,
  height: length,
  angle: fc.double({ min: -360, max: 360, noNaN: true }),
  mirror: fc.boolean(),
});

describe('boxes', () => {
  test('whatever the turn, the anchor stays and locked proportions hold', () => {
    fc.assert(
      fc.property(boxes, fc.tuple(side, side), length, fc.boolean(), (box, anchor, width, locked) => {
        const next = resizeBox(box, { width }, anchor, locked);
        const before = anchorPoint(box, anchor);
        const after = anchorPoint(next, anchor);
        expect(Math.hypot(before[0] - after[0], before[1] - after[1])).toBeLessThan(1e-9 * 1e4);
        expect(next.width).toBeCloseTo(width, 6);
        if (locked) expect(next.width / next.height).toBeCloseTo(box.width / box.height, 6);
        else expect(next.height).toBe(box.height);
      }),
    );
  });

  test('a corner pulled to a point lies there, the opposite one stays', () => {
    fc.assert(
      fc.property(boxes, length, length, (box, across, down) => {
        const corner = { ...box, width: across, height: down };
        // The point at which the corner would lie, were the box that large with its first corner kept.
        const to = anchorPoint(resizeBox(box, { width: across, height: down }, [-1, -1], false), [1, 1]);
        const next = pullBox(box, [1, 1], to, { locked: false, centred: false });
        expect(next.width).toBeCloseTo(corner.width, 5);
        expect(next.height).toBeCloseTo(corner.height, 5);
      }),
    );
  });

  test('pulled from the middle, both sides grow', () => {
    const box = { cx: 100, cy: 100, width: 40, height: 20, angle: 0, mirror: false };
    expect(pullBox(box, [1, 0], [140, 0], { locked: false, centred: true })).toEqual({ ...box, width: 80 });
    expect(pullBox(box, [0, -1], [0, 60], { locked: true, centred: false })).toEqual({
      ...box,
      width: 100,
      height: 50,
      cy: 85,
    });
  });
});

describe('lines', () => {
  test('the middle, an edge or a third within reach is caught, and said', () => {
    expect(catchLines([447, 300, 594], [100], frame, 5)).toEqual({ dx: 0, dy: 0, guides: [{ axis: 'x', at: 300 }] });
    expect(catchLines([447], [303], frame, 5)).toEqual({
      dx: 3,
      dy: -3,
      guides: [
        { axis: 'x', at: 450 },
        { axis: 'y', at: 300 },
      ],
    });
    expect(catchLines([440], [310], frame, 5)).toEqual({ dx: 0, dy: 0, guides: [] });
  });

  test('what else lies in the frame is caught: its sides and middle, and the gap between two', () => {
    const others = [
      [100, 20, 180, 60],
      [210, 20, 290, 60],
    ] as const;
    // By its middle on theirs, and by its top on their bottom.
    expect(catchLines([142, 120, 164], [83, 62, 104], frame, 5, others)).toMatchObject({ dx: -2, dy: -2 });
    // 30 to the right of the second, and 30 to the left of the first: as far as they are apart.
    expect(catchLines([358, 317, 399], [300], frame, 5, others)).toMatchObject({ dx: 3, guides: [{ axis: 'x', at: 320 }, { axis: 'y', at: 300 }] }); // prettier-ignore
    expect(catchLines([31, -10, 72], [300], frame, 5, others)).toMatchObject({ dx: -2 });
  });
});

describe('points', () => {
  const outlines = DEFINITIONS.map(({ kind }) =>
    outlineOf(completeShape(shapeSchema.parse({ kind }), { width: 900, height: 900 })),
  );

  test('every catalogue shape turned into points is the same outline', () => {
    for (const outline of outlines)
      expect(outline.map((contour) => contourOf(nodesOf(contour)))).toEqual(
        outline.map(({ start, cubics }) => ({
          start,
          cubics: cubics.map((cubic) => cubic.map((v) => expect.closeTo(v, 3))),
        })),
      );
  });

  test('a point put in anywhere leaves the outline as it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...outlines),
        fc.nat(),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (outline, pick, t) => {
          const nodes = nodesOf(outline[0]!);
          const more = insertNode(nodes, pick % nodes.length, t);
          expect(more).toHaveLength(nodes.length + 1);
          expect(areaOf([contourOf(more)])).toBeCloseTo(areaOf([contourOf(nodes)]), 3);
        },
      ),
    );
  });

  const square = nodesOf({
    ...outlineOf(
      completeShape(shapeSchema.parse({ kind: 'rectangle', box: { cx: 50, cy: 50, width: 100, height: 100 } }), frame),
    )[0]!,
  });

  test('smooth and corner go back and forth; a handle of a smooth point takes the other along', () => {
    const smooth = makeSmooth(square, 0);
    expect([isSmooth(square[0]!), isSmooth(smooth[0]!)]).toEqual([false, true]);
    // Corners of the square lie on the diagonal's ends: its handles are parallel to the other diagonal.
    expect(smooth[0]!.after![0]).toBeCloseTo(-smooth[0]!.before![0], 9);
    const swung = moveHandle(smooth, 0, 'after', [30, 0]);
    expect(isSmooth(swung[0]!)).toBe(true);
    expect(Math.hypot(...swung[0]!.before!)).toBeCloseTo(Math.hypot(...smooth[0]!.before!), 9);
    expect(makeCorner(swung, 0)).toEqual(square);
  });

  test('a point moved, found and taken out', () => {
    expect(areaOf([contourOf(moveNode(square, 2, [50, 50]))])).toBeCloseTo(5000, 6);
    expect(nearestOnContour(square, [52, -3])).toMatchObject({ i: 0, distance: expect.closeTo(3.6, 0) });
    expect(areaOf([contourOf(removeNode(square, 1))])).toBeCloseTo(5000, 6);
    expect(removeNode(removeNode(removeNode(square, 0), 0), 0)).toHaveLength(2);
  });
});
