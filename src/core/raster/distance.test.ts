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

test('a deep one, worked out in cells, is within a hundredth of its depth, and far nearer away from ridges', () => {
  const size = 500;
  const star: Polygon = Array.from({ length: 10 }, (_, i) => {
    const angle = (2 * Math.PI * i) / 10;
    return [250.3 + (i % 2 ? 230 : 120) * Math.cos(angle), 249.6 + (i % 2 ? 230 : 120) * Math.sin(angle)];
  });
  const hole: Polygon = [[240, 230], [230, 260], [262, 266]]; // prettier-ignore
  const depth = 330;
  const seen = { left: 0, top: 0, width: size, height: size };
  const field = depthField([star, hole], depth, seen);
  const inside = coverage([star, hole], seen);
  const errors: number[] = [];
  for (let i = 0; i < field.length; i += 7) {
    if (inside[i]! < 1) continue;
    const wanted = Math.min(1, nearest([star, hole], (i % size) + 0.5, Math.floor(i / size) + 0.5) / depth);
    errors.push(Math.abs(field[i]! / 65535 - wanted));
  }
  errors.sort((a, b) => a - b);
  expect(errors[errors.length - 1]).toBeLessThan(0.01);
  expect(errors[Math.floor(0.9 * errors.length)]).toBeLessThan(0.001);
  // Beside sharp corners straight lines between cells leave a trace of them.
  expect(field.every((v, i) => inside[i]! > 0 || v < 0.01 * 65535)).toBe(true);
});
