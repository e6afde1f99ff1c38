import fc from 'fast-check';
import type { Polygon } from '../shape';
import { coverage } from './coverage';
import { depthField } from './distance';

/** In pixels, up to 40. */
const insideDistance = (polygons: readonly Polygon[], seen: typeof window) =>
  Float32Array.from(depthField(polygons, 40, seen), (v) => (v / 65535) * 40);

const window = { left: 3, top: 5, width: 60, height: 50 };

/** The nearest point of all sides, asked of each. */
function nearest(polygons: readonly Polygon[], x: number, y: number): number {
  const distances = polygons.flatMap((polygon) =>
    polygon.map(([ax, ay], i) => {
      const [bx, by] = polygon[(i + 1) % polygon.length]!;
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(ax + dx * t - x, ay + dy * t - y);
    }),
  );
  return Math.min(...distances);
}

test('a square is as far from its sides as it is deep', () => {
  const square: Polygon = [[10, 10], [50, 10], [50, 50], [10, 50]]; // prettier-ignore
  const field = insideDistance([square], window);
  const at = (x: number, y: number) => field[(y - window.top) * window.width + x - window.left];
  [at(30, 10), at(30, 12), at(12, 30), at(5, 30)].forEach((v, i) => expect(v).toBeCloseTo([0.5, 2.5, 2.5, 0][i]!, 2));
  expect(at(29, 29)).toBeCloseTo(19.5, 2);
});

test('of random stars it is within a twentieth of a pixel of asking every side', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 6, max: 26, noNaN: true }), { minLength: 5, maxLength: 14 }), (radii) => {
      const star: Polygon = radii.map((r, i) => {
        const angle = (2 * Math.PI * i) / radii.length;
        return [33 + r * Math.cos(angle), 30 + r * Math.sin(angle)];
      });
      const field = insideDistance([star], window);
      const inside = coverage([star], window);
      let worst = 0;
      for (let i = 0; i < field.length; i++) {
        if (inside[i]! < 0.5) continue;
        const [x, y] = [window.left + (i % window.width) + 0.5, window.top + Math.floor(i / window.width) + 0.5];
        worst = Math.max(worst, Math.abs(field[i]! - nearest([star], x, y)));
      }
      expect(worst).toBeLessThan(0.05);
    }),
    { numRuns: 60 },
  );
});
