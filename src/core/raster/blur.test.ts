import { blur, blurReach } from './blur';

/** Gauss error function by Abramowitz and Stegun 1964, 7.1.26 (error below 1.5e-7). */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return Math.sign(x) * (1 - poly * Math.exp(-x * x));
}

/** A Gaussian of `sigma` over the box from a to b, at x. */
const softBox = (x: number, a: number, b: number, sigma: number) =>
  (erf((b - x) / (sigma * Math.SQRT2)) - erf((a - x) / (sigma * Math.SQRT2))) / 2;

describe('blur against a true Gaussian', () => {
  test.each([0.5, 0.8, 1, 1.7, 3, 5, 8, 12, 20, 21, 33, 47, 60])(
    'a bar and a square within 4/255 at sigma %d',
    (sigma) => {
      const reach = blurReach(sigma);
      for (const wide of [1, 7, 40, 150]) {
        const size = wide + 2 * reach + 2;
        const from = reach + 1;
        const pixels = new Float32Array(size * size);
        for (let y = from; y < from + wide; y++) pixels.fill(1, y * size + from, y * size + from + wide);
        blur(pixels, size, size, sigma);
        let worst = 0;
        const exact = Array.from({ length: size }, (_, x) => discrete(x, from, wide, sigma));
        for (let y = 0; y < size; y++)
          for (let x = 0; x < size; x++)
            worst = Math.max(worst, Math.abs(pixels[y * size + x]! - exact[x]! * exact[y]!));
        expect(worst * 255).toBeLessThan(4);
      }
    },
  );

  test('the continuous error-function profile of an edge is met within 4/255 for sigma 2 to 60', () => {
    for (const sigma of [2, 6, 20, 60]) {
      const reach = blurReach(sigma);
      const [width, height] = [4 * reach, 2 * reach + 1];
      const edge = width / 2;
      const pixels = new Float32Array(width * height);
      for (let y = 0; y < height; y++) pixels.fill(1, y * width + edge, (y + 1) * width);
      blur(pixels, width, height, sigma);
      const middleRow = pixels.subarray(reach * width, (reach + 1) * width);
      for (let x = reach; x < width - reach; x++)
        expect(Math.abs(middleRow[x]! - softBox(x + 0.5, edge, Infinity, sigma))).toBeLessThan(4 / 255);
    }
  });

  /** Discrete Gaussian of a bar of ones, normalised over all integers. */
  function discrete(x: number, from: number, wide: number, sigma: number): number {
    let sum = 0;
    let total = 0;
    const far = Math.ceil(sigma * 8);
    for (let i = -far; i <= far; i++) {
      const weight = Math.exp((-i * i) / (2 * sigma * sigma));
      total += weight;
      if (x + i >= from && x + i < from + wide) sum += weight;
    }
    return sum / total;
  }
});

test('no light is lost or made where there is room', () => {
  const size = 81;
  const pixels = new Float32Array(size * size);
  pixels[40 * size + 40] = 1;
  blur(pixels, size, size, 6);
  expect(pixels.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 5);
});

test('a picture with sigma 0 stays as it is', () => {
  const pixels = Float32Array.from([0, 0.25, 1, 0.5]);
  blur(pixels, 2, 2, 0);
  expect([...pixels]).toEqual([0, 0.25, 1, 0.5]);
});
