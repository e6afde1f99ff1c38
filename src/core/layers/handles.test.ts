import { caption, paintHandle, shadow, shadowHandle, tint } from '.';

const box = { left: 100, top: 50, width: 200, height: 400 };
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

test('a shadow is held by its offset from the middle', () => {
  const drop = shadow.schema.parse({ x: 5, y: -7 });
  const handle = shadowHandle(drop, box);
  expect(handle.at).toEqual([205, 243]);
  expect(handle.pull([190.04, 260], false)).toEqual({ ...drop, x: -10, y: 10 });
});
