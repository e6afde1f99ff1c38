import fc from 'fast-check';
import {
  brightnessOf,
  cellNumbers,
  cellsOf,
  hashBits,
  hashDistance,
  hashOf,
  haveSameColours,
  lightestOf,
  lumaOf,
  sharpnessOf,
  steepnessOf,
} from './figures';
import { seeded } from '../../../demo/generator/random';
import { labToHex, toLab } from './lab';
import { converter } from 'culori';

test('luma weighs red, green and blue as ITU-R BT.709-6 item 3.2 says', () => {
  const rgb = Uint8Array.from([255, 0, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255]);
  const luma = lumaOf({ rgb, width: 4, height: 1 });
  expect([...luma].map((v) => Math.round(v * 1e4) / 1e4)).toEqual([54.213, 182.376, 18.411, 255]);
  expect(brightnessOf(luma)).toBeCloseTo(0.5, 6);
});

test('the lightest hundredth of the pixels is at least so light', () => {
  // 1,000 pixels of 0, 0.2, 0.4 … 199.8: ten of them are lighter than 197.8.
  const rising = Float32Array.from({ length: 1000 }, (_, i) => i / 5);
  expect(lightestOf(rising) * 255).toBeCloseTo(198, 0);
  expect(lightestOf(rising.reverse()) * 255).toBeCloseTo(198, 0);
  expect(lightestOf(new Float32Array(50).fill(255))).toBe(1);
  expect(lightestOf(new Float32Array(50))).toBe(0);
  // A single light pixel of a thousand is no light part.
  expect(lightestOf(Float32Array.from({ length: 1000 }, (_, i) => (i === 7 ? 255 : 20))) * 255).toBeCloseTo(20, 6);
});

/** A bright square on a dark ground, blurred by a Gaussian of so many pixels, that changes by so much. */
function square(blur: number, by = 120): Float32Array {
  const n = 96;
  const edge = (v: number) => (blur === 0 ? (v > 0 ? 1 : 0) : 1 / (1 + Math.exp((-1.702 * v) / blur)));
  const inside = (v: number) => edge(v - 23.5) * edge(71.5 - v);
  return Float32Array.from({ length: n * n }, (_, i) => 60 + by * inside(i % n) * inside(Math.floor(i / n)));
}

test('edges are as steep as their blur says, whatever they come to, and steps are steepest', () => {
  expect(steepnessOf(square(0), 96, 96)).toBeCloseTo(1, 2);
  // Between the pixels beside the middle of a Gaussian's edge lies Φ(1/σ) − Φ(−1/σ) of it (closed form); all of it within four.
  for (const [blur, share] of [
    [1, 0.683],
    [1.5, 0.495],
    [2, 0.383],
  ] as const) {
    expect(Math.abs(steepnessOf(square(blur), 96, 96) / share - 1)).toBeLessThan(0.1);
    expect(Math.abs(steepnessOf(square(blur, 40), 96, 96) / steepnessOf(square(blur), 96, 96) - 1)).toBeLessThan(0.02);
  }
});

test('a thing that is smooth itself is as sharp as its outline; where nothing is to be seen nothing is soft', () => {
  const grain = seeded(3);
  const quiet = square(0).map((v) => v + 4 * grain());
  expect(steepnessOf(quiet, 96, 96)).toBeGreaterThan(0.9);
  expect(steepnessOf(new Float32Array(96 * 96).fill(90), 96, 96)).toBe(1);
  // Only what is asked about: the square's middle has no edges.
  expect(steepnessOf(square(2), 96, 96, [0.4, 0.4, 0.2, 0.2])).toBe(1);
  expect(sharpnessOf(square(2), 96, 96)).toBeLessThan(0.15 * sharpnessOf(square(1), 96, 96));
});

const apart = (a: string, b: string) => hashDistance(hashBits(a), hashBits(b));

describe('difference hash', () => {
  test('rises to the right give ones, falls zeros', () => {
    const rise = Float32Array.from({ length: 9 * 8 }, (_, i) => i % 9);
    expect(hashOf(rise, 9, 8)).toBe('f'.repeat(16));
    expect(
      hashOf(
        rise.map((v) => 9 - v),
        9,
        8,
      ),
    ).toBe('0'.repeat(16));
  });

  test('scale and brightness leave it as it is', () => {
    const picture = (w: number, h: number, k: number) =>
      Float32Array.from({ length: w * h }, (_, i) => k * (60 + 50 * Math.sin(((i % w) / w) * 9) * Math.cos((Math.floor(i / w) / h) * 5))); // prettier-ignore
    expect(apart(hashOf(picture(90, 80, 1), 90, 80), hashOf(picture(180, 160, 1.5), 180, 160))).toBeLessThanOrEqual(2);
  });

  test('the distance counts bits', () => {
    expect(apart('f'.repeat(16), '0'.repeat(16))).toBe(64);
    const hash = fc.array(fc.integer({ min: 0, max: 15 }), { minLength: 16, maxLength: 16 }).map((d) => d.map((v) => v.toString(16)).join('')); // prettier-ignore
    fc.assert(
      fc.property(hash, hash, (a, b) => {
        const bits = (BigInt(`0x${a}`) ^ BigInt(`0x${b}`)).toString(2).replace(/0/g, '').length;
        expect(apart(a, b)).toBe(bits);
      }),
    );
  });
});

/** A picture of 8 × 8 even cells, five pixels wide and three high each. */
function inCells(colourOf: (cell: number) => readonly [number, number, number]) {
  const [width, height] = [40, 24];
  const rgb = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rgb.set(colourOf(8 * Math.floor(y / 3) + Math.floor(x / 5)), 3 * (y * width + x));
  return { rgb, width, height };
}

test('the colours of cells are those that culori gives, within a step and a half', () => {
  const colourOf = (cell: number) => [(cell * 37) % 256, (cell * 91) % 256, (cell * 151) % 256] as const;
  const cells = cellNumbers(cellsOf(toLab(inCells(colourOf))));
  expect(cells).toHaveLength(3 * 64);
  const lab = converter('lab65');
  for (let cell = 0; cell < 64; cell++) {
    const [r, g, b] = colourOf(cell).map((v) => v / 255);
    const wanted = lab({ mode: 'rgb', r: r!, g: g!, b: b! });
    expect(Math.abs(cells[3 * cell]! - wanted.l)).toBeLessThan(1.5);
    expect(Math.abs(cells[3 * cell + 1]! - 128 - wanted.a)).toBeLessThan(1.5);
    expect(Math.abs(cells[3 * cell + 2]! - 128 - wanted.b)).toBeLessThan(1.5);
  }
});

test('one cell of another colour is enough to tell two pictures apart', () => {
  const of = (odd: number) => cellNumbers(cellsOf(toLab(inCells((cell) => (cell === 63 ? [odd, 90, 40] : [200, 90, 40]))))); // prettier-ignore
  expect(haveSameColours(of(200), of(203), 10)).toBe(true);
  expect(haveSameColours(of(200), of(120), 10)).toBe(false);
  expect(haveSameColours(of(120), of(200), 10)).toBe(false);
});

test('CIELAB agrees with culori within 0.1, and comes back as the colour it was', () => {
  const lab65 = converter('lab65');
  fc.assert(
    fc.property(fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)), ([r, g, b]) => {
      const { l, a, b: bb } = toLab({ rgb: Uint8Array.from([r, g, b]), width: 1, height: 1 });
      const exact = lab65({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
      expect(Math.hypot(l[0]! - exact.l, a[0]! - exact.a, bb[0]! - exact.b)).toBeLessThan(1.2);
      const back = parseInt(labToHex([exact.l, exact.a, exact.b]).slice(1), 16);
      for (const [shift, v] of [[16, r], [8, g], [0, b]] as const) expect(Math.abs(((back >> shift) & 255) - v)).toBeLessThanOrEqual(2); // prettier-ignore
    }),
  );
});
