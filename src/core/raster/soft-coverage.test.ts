import { softCoverage } from './soft-coverage';
import type { Polygon } from '../shape';

/** Gauss error function by Abramowitz and Stegun 1964, 7.1.26 (error below 1.5e-7). */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return Math.sign(x) * (1 - poly * Math.exp(-x * x));
}

/** A Gaussian of `sigma` over the stretch from a to b, at x (closed form). */
const softBar = (x: number, a: number, b: number, sigma: number) =>
  (erf((b - x) / (sigma * Math.SQRT2)) - erf((a - x) / (sigma * Math.SQRT2))) / 2;

const rectangle = (left: number, top: number, right: number, bottom: number): Polygon[] => [
  [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ],
];

/** The largest difference from the true Gaussian of a rectangle, in steps of 1/255. */
function worstOf(from: number, to: number, sigma: number, size: number): number {
  const soft = softCoverage(rectangle(from, from, to, to), { left: 0, top: 0, width: size, height: size }, sigma);
  // What a pixel shows is the average over it; narrow blurs are averaged over many points.
  const profile = Array.from({ length: size }, (_, x) => {
    const points = Array.from({ length: 32 }, (_, i) => softBar(x + (i + 0.5) / 32, from, to, sigma));
    return points.reduce((sum, v) => sum + v, 0) / points.length;
  });
  let worst = 0;
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) worst = Math.max(worst, Math.abs(soft[y * size + x]! - profile[x]! * profile[y]!));
  return worst * 255;
}

// Narrower blurs are the discrete Gaussian of the pixels' coverage: blur.test.ts checks them as such.
test.each([1.5, 2, 3, 5.9, 6, 8.5, 11.9, 12, 17, 24, 33, 48, 60])(
  'squares blurred by sigma %d are within 4/255 of a true Gaussian, wherever they lie on the pixels',
  (sigma) => {
    for (const [from, to] of [
      [70.3, 71.1],
      [60.25, 100.5],
      [30, 170],
    ] as const)
      expect(worstOf(from, to, sigma, 200)).toBeLessThan(4);
  },
);

test('what lies outside the window spreads into it', () => {
  const whole = softCoverage(rectangle(-40, -40, 8, 300), { left: 0, top: 0, width: 60, height: 60 }, 12);
  for (let x = 0; x < 60; x++)
    expect(Math.abs(whole[30 * 60 + x]! - softBar(x + 0.5, -40, 8, 12) * softBar(30.5, -40, 300, 12))).toBeLessThan(
      2 / 255,
    );
});

test('a window shows the same as the part of a larger one, within 2/255', () => {
  const polygons = rectangle(20, 20, 90, 70);
  const large = softCoverage(polygons, { left: 0, top: 0, width: 128, height: 128 }, 13);
  const part = softCoverage(polygons, { left: 37, top: 11, width: 40, height: 50 }, 13);
  part.forEach((v, i) => {
    const at = (11 + Math.floor(i / 40)) * 128 + 37 + (i % 40);
    expect(Math.abs(v - large[at]!)).toBeLessThan(2 / 255);
  });
});
