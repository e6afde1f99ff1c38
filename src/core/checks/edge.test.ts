/** Against closed forms: distances from a circle and from a ring's two circles. */
import { parseTemplate, photoOutline } from '../template';
import { distanceToEdge } from './edge';

const box = { cx: 500, cy: 400, width: 600, height: 600 };
const outlineOf = (shape: object) => photoOutline(parseTemplate({ wobrel: 1, name: 'Edge', shape: { ...shape, box } }));
const circle = outlineOf({ kind: 'circle' });
const ring = outlineOf({ kind: 'ring', thickness: 0.5 });

test.each([
  [0, 300],
  [100, 200],
  [290, 10],
  [400, -100],
])('%s units from a circle’s middle the edge is %s away', (from, distance) => {
  for (const angle of [0, 0.7, 2, 4.4]) {
    const at = [500 + from * Math.cos(angle), 400 + from * Math.sin(angle)] as const;
    expect(Math.abs(distanceToEdge(circle, at) - distance)).toBeLessThan(0.5);
  }
});

test('a hole is outside', () => {
  const middle = distanceToEdge(ring, [500, 400]);
  expect(middle).toBeLessThan(-50);
  // On the ring the nearer of both edges counts: the outer one is 300 from the middle, the inner one as far as it is from there.
  expect(distanceToEdge(ring, [500 + 295, 400])).toBeCloseTo(5, 0);
  expect(distanceToEdge(ring, [500 - middle - 5, 400])).toBeCloseTo(-5, 0);
  expect(distanceToEdge(ring, [500 - middle + 5, 400])).toBeCloseTo(5, 0);
});
