import fc from 'fast-check';
import { cv } from 'opencv-wasm';
import { bentPicture } from './bent';
import { inverse, isConvex, mapped, ontoCorners, type Corner, type Corners } from './homography';
import { levelsOf } from './levels';

const ready = (width: number, height: number, at: (x: number, y: number) => readonly number[]) => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, k = 0; y < height; y++) for (let x = 0; x < width; x++, k += 4) data.set(at(x, y), k);
  return { data, width, height, levels: levelsOf({ data, width, height }) };
};

const SQUARE: Corners = [[0, 0], [1, 0], [1, 1], [0, 1]]; // prettier-ignore
const KEYSTONE: Corners = [[40, 30], [200, 60], [180, 210], [20, 150]]; // prettier-ignore

const coordinate = fc.double({ min: -1000, max: 1000, noNaN: true });
const corner = fc.tuple(coordinate, coordinate);
const corners: fc.Arbitrary<Corners> = fc.tuple(corner, corner, corner, corner).filter((four) => isConvex(four));

describe('projective maps', () => {
  test('corners go onto corners, and back', () => {
    fc.assert(
      fc.property(corners, (four) => {
        const map = ontoCorners(four);
        SQUARE.forEach((corner, k) => {
          const [x, y] = mapped(map, corner);
          expect(Math.hypot(x - four[k]![0], y - four[k]![1])).toBeLessThan(1e-6);
          const [u, v] = mapped(inverse(map), four[k]!);
          expect(Math.hypot(u - corner[0], v - corner[1])).toBeLessThan(1e-4);
        });
      }),
    );
  });

  test('four places of a line keep their cross-ratio (closed form)', () => {
    const map = ontoCorners(KEYSTONE);
    const line = [0.1, 0.3, 0.6, 0.95].map((t): Corner => mapped(map, [t, 0.2 + 0.5 * t]));
    const from = (a: Corner, b: Corner) => Math.hypot(a[0] - b[0], a[1] - b[1]);
    const [p, q, r, s] = line as [Corner, Corner, Corner, Corner];
    const ratio = (from(p, r) * from(q, s)) / (from(q, r) * from(p, s));
    expect(ratio).toBeCloseTo((0.5 * 0.65) / (0.3 * 0.85), 9);
  });

  test.each<[string, Corners, boolean]>([
    ['a keystone', KEYSTONE, true],
    ['the same the other way round', [...KEYSTONE].reverse() as unknown as Corners, true],
    ['crossing', [[0, 0], [10, 10], [10, 0], [0, 10]], false],
    ['coinciding', [[0, 0], [10, 0], [10, 0], [0, 10]], false],
    ['on a line', [[0, 0], [5, 0], [10, 0], [0, 10]], false],
    ['with one inside', [[0, 0], [10, 0], [2, 2], [0, 10]], false],
  ])('%s', (_, four, convex) => expect(isConvex(four)).toBe(convex)); // prettier-ignore
});

test('lines of a checkerboard stay straight within a tenth of a pixel, where the map says', () => {
  const board = ready(400, 400, (x) => (x < 200 ? [0, 0, 0, 255] : [255, 255, 255, 255]));
  const window = { left: 0, top: 0, width: 220, height: 220 };
  const out = bentPicture(board, KEYSTONE, window);
  const map = ontoCorners(KEYSTONE);
  const [top, bottom] = [mapped(map, [0.5, 0]), mapped(map, [0.5, 1])];
  for (let y = Math.ceil(top[1]) + 8; y < bottom[1] - 12; y += 7) {
    // Where the row turns from black to white: what is dark in it, counted.
    const x = top[0] + ((bottom[0] - top[0]) * (y + 0.5 - top[1])) / (bottom[1] - top[1]);
    let edge = Math.floor(x) - 10;
    for (let i = Math.floor(x) - 10; i < Math.floor(x) + 10; i++) edge += 1 - out[(y * 220 + i) * 4]! / 255;
    expect(Math.abs(edge - x)).toBeLessThan(0.1);
  }
});

test('a smooth picture is what OpenCV’s warpPerspective makes of it, within a level and a half on average', () => {
  const picture = ready(160, 120, (x, y) => [127 + 100 * Math.sin(x / 12), 127 + 100 * Math.cos(y / 15), x + y / 2, 255]); // prettier-ignore
  const window = { left: 0, top: 0, width: 220, height: 220 };
  const out = bentPicture(picture, KEYSTONE, window);
  const source = cv.matFromArray(120, 160, cv.CV_8UC4, [...picture.data]);
  // OpenCV puts whole numbers on the pixels' middles.
  const flat = (points: readonly Corner[]) => points.flatMap(([x, y]) => [x - 0.5, y - 0.5]);
  const from = cv.matFromArray(4, 1, cv.CV_32FC2, flat(SQUARE.map(([u, v]): Corner => [u * 160, v * 120])));
  const to = cv.matFromArray(4, 1, cv.CV_32FC2, flat(KEYSTONE));
  const map = cv.getPerspectiveTransform(from, to);
  const drawn = new cv.Mat();
  cv.warpPerspective(source, drawn, map, new cv.Size(220, 220), cv.INTER_CUBIC, cv.BORDER_REPLICATE, new cv.Scalar());
  let [sum, n] = [0, 0];
  for (let k = 0; k < out.length; k += 4)
    if (out[k + 3] === 255) for (let c = 0; c < 3; c++, n++) sum += Math.abs(out[k + c]! - drawn.data[k + c]);
  expect(n).toBeGreaterThan(50_000);
  expect(sum / n).toBeLessThan(1.5);
  for (const mat of [source, from, to, map, drawn]) mat.delete();
});

test.each<[string, Corners]>([
  ['both ways', [[0, 0], [60, 0], [60, 60], [0, 60]]],
  ['across alone', [[0, 0], [60, 0], [60, 1200], [0, 1200]]],
  ['and turned', [[40, 5], [95, 60], [50, 110], [5, 52]]],
])('a fine pattern squeezed twenty times %s is even within 4 of 255', (_, four) => {
  for (const pattern of [(x: number, y: number) => x + y, (x: number) => x]) {
    const checks = ready(1200, 1200, (x, y) => (pattern(x, y) % 2 ? [255, 255, 255, 255] : [0, 0, 0, 255]));
    // Along the rim its outermost pixels go on.
    const isWithin = (n: number) => [-2, 0, 2].every((dx) => [-2, 0, 2].every((dy) => out[(n + dx + dy * 80) * 4 + 3] === 255)); // prettier-ignore
    const out = bentPicture(checks, four, { left: 10, top: 10, width: 80, height: 60 });
    for (let k = 0; k < out.length; k += 4) if (isWithin(k / 4)) expect(Math.abs(out[k]! - 127.5)).toBeLessThanOrEqual(4);
  }
}); // prettier-ignore

test('its alpha is the area of the corners’ outline', () => {
  const out = bentPicture(ready(10, 10, () => [9, 9, 9, 255]), KEYSTONE, { left: 0, top: 0, width: 220, height: 220 }); // prettier-ignore
  const area = out.reduce((sum, v, i) => (i % 4 === 3 ? sum + v / 255 : sum), 0);
  const shoelace = KEYSTONE.reduce((sum, [x, y], k) => {
    const [nx, ny] = KEYSTONE[(k + 1) % 4]!;
    return sum + (x * ny - nx * y) / 2;
  }, 0);
  expect(area / shoelace).toBeCloseTo(1, 3);
});
