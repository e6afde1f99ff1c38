import { boundsOf, type Polygon } from '../shape';
import { seededShares } from '../shape/seeded';
import { boundsSeen, polygonsSeen } from './photo-axes';
import { turned } from './placement';

const shares = seededShares(11, 400);
const shape: readonly Polygon[] = [0, 1].map((k) =>
  Array.from({ length: 100 }, (_, i) => [shares[200 * k + 2 * i]! * 900, shares[200 * k + 2 * i + 1]! * 500] as const),
);

test.each([0, 45, 90, -30.5, 180, 45])('turned by %s° a shape is its points turned the other way', (angle) => {
  const points = shape.map((polygon) => polygon.map((p) => turned(p, -angle)));
  const bounds = boundsOf(points)!;
  boundsSeen(shape, angle).forEach((side, i) => expect(side).toBeCloseTo(bounds[i]!, 9));
  polygonsSeen(shape, angle).forEach((polygon, k) =>
    polygon.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(points[k]![i]![0], 9);
      expect(y).toBeCloseTo(points[k]![i]![1], 9);
    }),
  );
});

test('photos that are turned alike share one', () => {
  const first = polygonsSeen(shape, 12);
  expect(polygonsSeen(shape, 12)).toBe(first);
  expect(polygonsSeen(shape, 0)).toBe(shape);
});
