import { pointAdded, pointMoved, pointTaken } from './curve';

const CURVE: [number, number][] = [[0, 0], [0.5, 1], [1, 0.2]]; // prettier-ignore

test('a point is moved as far as its neighbours let it, ends only up and down', () => {
  expect(pointMoved(CURVE, 1, [0.7, 0.4])[1]).toEqual([0.7, 0.4]);
  expect(pointMoved(CURVE, 1, [1.4, -3])[1]).toEqual([0.99, 0]);
  expect(pointMoved(CURVE, 0, [0.3, 0.6])[0]).toEqual([0, 0.6]);
  expect(pointMoved(CURVE, 2, [0.3, 2])[2]).toEqual([1, 1]);
});

test('a point is added in its place, where there is room', () => {
  expect(pointAdded(CURVE, [0.25, 0.8])).toEqual({ curve: [[0, 0], [0.25, 0.8], [0.5, 1], [1, 0.2]], i: 1 }); // prettier-ignore
  expect(pointAdded(CURVE, [0.505, 0.8])).toBeNull();
  const full = Array.from({ length: 16 }, (_, i): [number, number] => [i / 15, 0]);
  expect(pointAdded(full, [0.03, 0.8])).toBeNull();
});

test('a point is taken out, but for the ends', () => {
  expect(pointTaken(CURVE, 1)).toEqual([CURVE[0], CURVE[2]]);
  expect([pointTaken(CURVE, 0), pointTaken(CURVE, 2)]).toEqual([CURVE, CURVE]);
});
