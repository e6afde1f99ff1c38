import {
  before,
  caption,
  captionHandles,
  paintHandle,
  placeHandles,
  placeMoved,
  shadow,
  shadowHandle,
  tint,
  type Place,
} from '.';
import { graspIn } from '../template/units';

const box = { left: 100, top: 50, width: 200, height: 400 };
const grasp = graspIn({ unit: 'px', ppi: 96 });
const STOPS = [[0, '#fff'], [1, '#000']]; // prettier-ignore
const paint = (fields: object) => tint.schema.parse({ paint: { stops: STOPS, ...fields } }).paint;

test.each([
  [0, 200, 190],
  [90, 260, 250],
  [180, 200, 310],
  [270, 140, 250],
])('a direction of %d° is held on the way from the middle, and pulled there it is the same', (angle, x, y) => {
  const handle = paintHandle(paint({ kind: 'linear', angle }), box)!;
  expect(handle.at[0]).toBeCloseTo(x, 9);
  expect(handle.at[1]).toBeCloseTo(y, 9);
  expect(handle.pull(handle.at, false)).toMatchObject({ kind: 'linear', angle });
});

test('pulled in steps a direction takes whole ones of 15°', () => {
  const handle = paintHandle(paint({ kind: 'linear' }), box)!;
  expect([handle.pull([300, 240], false), handle.pull([300, 240], true)]).toMatchObject([{ angle: 84 }, { angle: 90 }]);
});

test('a middle is held where it lies, also beyond the box, and no further than the format takes', () => {
  const handle = paintHandle(paint({ kind: 'radial', at: [0.25, 1] }), box)!;
  expect(handle.at).toEqual([150, 450]);
  expect(handle.pull([200, 250], false)).toMatchObject({ at: [0.5, 0.5] });
  expect(paintHandle(paint({ kind: 'conic' }), box)!.pull([1e6, 0], false)).toMatchObject({ at: [10, -0.125] });
});

test('what has neither has no handle', () => {
  expect(['#fff', paint({ kind: 'contour', depth: 4 }), tint.schema.parse({ paint: { kind: 'picked' } }).paint].map((p) => paintHandle(p, box))).toEqual([null, null, null]); // prettier-ignore
  expect(caption.schema.parse({}).paint).toBe('#1c2224');
});

test('in inches what is held is set as finely as in pixels, and as small', () => {
  const inches = graspIn({ unit: 'in', ppi: 300 });
  const [, size] = captionHandles(caption.schema.parse({ at: [1, 2], size: 0.2 }), inches);
  expect(size!.pull([1, 1.95], false)).toEqual({ size: 0.05 });
  expect(size!.pull([1, 3], false)).toEqual({ size: 1 / 300 });
  const handle = shadowHandle(shadow.schema.parse({ x: 0, y: 0 }), { left: 0, top: 0, width: 2, height: 2 }, inches);
  expect(handle.pull([1.023, 0.99], false)).toMatchObject({ x: 0.023, y: -0.01 });
});

test('a shadow is held by its offset from the middle', () => {
  const drop = shadow.schema.parse({ x: 5, y: -7 });
  const handle = shadowHandle(drop, box, grasp);
  expect(handle.at).toEqual([205, 243]);
  expect(handle.pull([190.004, 260], false)).toEqual({ ...drop, x: -10, y: 10 });
});

describe('a picture in its place', () => {
  const box: Place = { cx: 100, cy: 80, width: 40, height: 20 };
  const bent: Place = { corners: [[0, 0], [100, 10], [90, 80], [10, 60]] }; // prettier-ignore
  const held = (place: Place, label: RegExp) => placeHandles(place, grasp).find((handle) => label.test(handle.label))!;

  test('a box is moved by its middle, and made larger by its right lower corner while the left upper one stays', () => {
    expect(held(box, /Middle/).pull([110, 95], false)).toEqual({ ...box, cx: 110, cy: 95 });
    expect(held(box, /Size/).at).toEqual([120, 90]);
    expect(held(box, /Size/).pull([180, 110], false)).toEqual({ cx: 130, cy: 90, width: 100, height: 40 });
    // Never turned inside out.
    expect(held(box, /Size/).pull([0, 0], false)).toMatchObject({ width: 1, height: 1 });
  });

  test('a bent one by each corner, which stays where it was rather than cross another', () => {
    expect(placeHandles(bent, grasp)).toHaveLength(5);
    expect(held(bent, /Right top/).pull([120, 5], false)).toEqual({ corners: [[0, 0], [120, 5], [90, 80], [10, 60]] });
    expect(held(bent, /Right top/).pull([5, 100], false)).toBe(bent);
    expect(held(bent, /Middle/).pull([60, 47.5], false)).toEqual({ corners: [[10, 10], [110, 20], [100, 90], [20, 70]] });
  }); // prettier-ignore

  test('corners that cross or coincide are refused, and what is moved stays as it was bent', () => {
    const read = (corners: number[][]) => before.schema.safeParse({ place: { corners } });
    expect(read([[0, 0], [10, 10], [10, 0], [0, 10]]).success).toBe(false);
    expect(read([[0, 0], [10, 0], [10, 0], [0, 10]]).success).toBe(false);
    expect(read([[0, 0], [10, 0], [12, 9], [0, 10]]).success).toBe(true);
    expect(placeMoved(bent, ([x, y]) => [2 * x, 2 * y], (v) => 2 * v)).toEqual({ corners: [[0, 0], [200, 20], [180, 160], [20, 120]] });
    expect(placeMoved(box, ([x, y]) => [2 * x, 2 * y], (v) => 2 * v)).toEqual({ cx: 200, cy: 160, width: 80, height: 40 });
  }); // prettier-ignore
});

describe('a caption', () => {
  const held = (fields: object, label: RegExp) => {
    const own = caption.schema.parse({ at: [300, 500], size: 40, radius: 120, ...fields });
    return captionHandles(own, grasp).find((handle) => label.test(handle.label));
  };

  test('is moved by its place and made larger by its height', () => {
    expect(held({}, /Place/)!.pull([310.004, 480], false)).toEqual({ at: [310, 480] });
    expect(held({}, /Size/)!.at).toEqual([300, 460]);
    expect(held({}, /Size/)!.pull([0, 430], false)).toEqual({ size: 70 });
    expect(held({}, /Size/)!.pull([0, 900], false)).toEqual({ size: 1 });
    expect(held({}, /Circle/)).toBeUndefined();
  });

  test.each([
    ['over', [300, 620], [0, 700], 200],
    ['under', [300, 380], [0, 300], 200],
  ] as const)('that runs %s a circle is bent by the circle’s middle', (follows, at, to, radius) => {
    expect(held({ follows }, /Circle/)!.at).toEqual(at);
    expect(held({ follows }, /Circle/)!.pull(to, false)).toEqual({ radius });
  });
});
