/** Pictures so large that they are worked out band by band, in the same memory. */
import { narrowBandsOf } from '../raster';
import { squareTemplate } from '../testing/drawn';
import { compile } from './compile';

const SIZE = 1024;
const box = { cx: 512, cy: 512, width: 700, height: 700 };
const alphaOf = (blank: Uint8ClampedArray) => blank.filter((_, k) => k % 4 === 3);

test('such a picture has several bands', () => {
  expect([...narrowBandsOf({ left: 0, top: 0, width: SIZE, height: SIZE })].length).toBeGreaterThan(2);
});

test.each([
  ['hard', {}],
  ['soft', { edge: { feather: 60 } }],
])('what is alike above and below comes out alike in its first band and in its last: %s', (_, fields) => {
  const template = squareTemplate(SIZE, {
    shape: { kind: 'circle', box },
    borders: [
      { width: 20, gap: 8 },
      { width: 10, gap: 50 },
    ],
    shadows: [
      { y: 0, x: 30, blur: 60, spread: 20 },
      { y: 0, blur: 0, spread: 80 },
    ],
    ...fields,
  });
  const { blank } = compile(template, SIZE);
  const row = (y: number) => blank.subarray(y * SIZE * 4, (y + 1) * SIZE * 4);
  const unlike = Array.from({ length: SIZE / 2 }, (_, y) => y).filter((y) => {
    const below = row(SIZE - 1 - y);
    return row(y).some((v, k) => k % 4 === 3 && Math.abs(v - below[k]!) > 2);
  });
  expect(unlike).toEqual([]);
  expect(alphaOf(row(120)).some((v) => v > 0)).toBe(true);
});

test('a mirror image that lies in other bands than its cutout is the cutout, fainter', () => {
  const template = squareTemplate(SIZE, {
    shape: { kind: 'circle', box: { ...box, cy: 280, width: 500, height: 500 } },
    borders: [{ width: 12, gap: 20 }],
    reflection: { gap: 0, length: 1, opacity: 1 },
  });
  const { blank, mirror } = compile(template, SIZE);
  const alphas = alphaOf(blank);
  const row = (y: number) => alphas.subarray(y * SIZE, (y + 1) * SIZE);
  const first = Math.ceil(mirror / 2) + 2;
  const unlike = Array.from({ length: 400 }, (_, i) => first + i).filter((y) => {
    const own = row(mirror - y);
    const most = own.reduce((a, b) => Math.max(a, b), 0);
    const share = most === 0 ? 0 : row(y).reduce((a, b) => Math.max(a, b), 0) / most;
    return row(y).some((v, x) => Math.abs(v - own[x]! * share) > 2);
  });
  expect(unlike).toEqual([]);
  expect(row(first + 300).some((v) => v > 0)).toBe(true);
});
