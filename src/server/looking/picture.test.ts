import { drawnSquare, halved, levelsOf, placeOf, planesOf, type Picture } from './picture';

/** A picture from a function of its pixels' middles, the same in all three bytes. */
const picture = (width: number, height: number, of: (x: number, y: number) => number): Picture => ({
  data: Uint8Array.from({ length: width * height * 3 }, (_, k) => {
    const i = Math.floor(k / 3);
    return of((i % width) + 0.5, Math.floor(i / width) + 0.5);
  }),
  width,
  height,
});

test('half a picture has the means of four pixels; an odd last row and column are left out', () => {
  const half = halved(picture(5, 3, (x, y) => 10 * Math.floor(x) + 100 * Math.floor(y)));
  expect([half.width, half.height]).toEqual([2, 1]);
  expect([...half.data]).toEqual([55, 55, 55, 75, 75, 75]);
});

test('half of a single pixel is that pixel', () => {
  const half = halved(picture(1, 1, () => 7));
  expect([half.width, half.height, ...half.data]).toEqual([1, 1, 7, 7, 7]);
});

describe('a square cut from a picture', () => {
  const slope = levelsOf(picture(64, 48, (x, y) => 2 * x + y));
  const valueAt = (square: Float32Array, pixels: number, x: number, y: number) => (square[y * pixels + x]! + 1) * 127.5; // prettier-ignore

  test.each([
    [0, 16],
    [0.3, 16],
    [Math.PI / 2, 16],
    [Math.PI, 16],
    [-2.2, 9],
  ])('turned by %d, every pixel has the value of its own place', (turn, pixels) => {
    const part = { middle: [30, 22], side: 16, turn } as const;
    const square = planesOf(slope, part, drawnSquare(pixels));
    for (let y = 0; y < pixels; y++)
      for (let x = 0; x < pixels; x++) {
        const at = (v: number) => ((v + 0.5) / pixels - 0.5) * part.side;
        const [px, py] = placeOf(part, at(x), at(y));
        expect(Math.abs(valueAt(square, pixels, x, y) - (2 * px + py))).toBeLessThan(1);
      }
  });

  test('what is turned clockwise by a quarter has its left side up', () => {
    const dark = levelsOf(picture(32, 32, (x) => (x < 16 ? 0 : 200)));
    const square = planesOf(dark, { middle: [16, 16], side: 32, turn: Math.PI / 2 }, drawnSquare(32));
    expect(valueAt(square, 32, 16, 4)).toBeCloseTo(0);
    expect(valueAt(square, 32, 16, 27)).toBeCloseTo(200);
  });

  test('from a wide part the finer details are averaged out, not left to chance', () => {
    const stripes = levelsOf(picture(256, 256, (x) => (Math.floor(x) % 2 ? 200 : 100)));
    const square = planesOf(stripes, { middle: [128, 128], side: 256, turn: 0 }, drawnSquare(64));
    for (let x = 2; x < 62; x++) expect(valueAt(square, 64, x, 32)).toBeCloseTo(150, 0);
  });

  test('of a part that is drawn as a rectangle every colour has a plane, and every pixel the value of its own place', () => {
    const { data, width, height } = picture(64, 48, (x, y) => 2 * x + y);
    const green = data.map((v, i) => (i % 3 === 1 ? v / 2 : v));
    const part = { middle: [32, 24], side: 64, turn: 0 } as const;
    const planes = planesOf(levelsOf({ data: green, width, height }), part, { side: 64, width: 64, height: 32 });
    expect(planes).toHaveLength(3 * 64 * 32);
    const at = (plane: number, x: number, y: number) => (planes[(plane * 32 + y) * 64 + x]! + 1) * 127.5;
    expect([at(0, 10, 4), at(1, 10, 4), at(2, 10, 4)].map(Math.round)).toEqual([33, 16, 33]);
  });

  test('beyond the picture it is black', () => {
    const white = levelsOf(picture(32, 32, () => 255));
    const square = planesOf(white, { middle: [0, 0], side: 32, turn: 0 }, drawnSquare(32));
    expect([valueAt(square, 32, 8, 8), valueAt(square, 32, 24, 24)]).toEqual([0, 255]);
  });
});
