/** Pictures as patterns, on grounds and on bands. */
import { bringPictures } from '../pictures';
import { keptTemplate, parseTemplate, picturesOf } from '../template';
import { drawnNoise, squareTemplate } from '../testing/drawn';

const SIZE = 200;
const [CHESS, HALF, FINE] = ['c', 'd', 'e'].map((letter) => letter.repeat(64)) as [string, string, string];

/** 20 × 20 pixels: red and blue quarters, or half clear, or lines of one pixel. */
const PICTURES: Readonly<Record<string, (x: number, y: number) => readonly number[]>> = {
  [CHESS]: (x, y) => (x < 10 === y < 10 ? [255, 0, 0, 255] : [0, 0, 255, 255]),
  [HALF]: () => [0, 255, 0, 128],
  [FINE]: (x) => (x % 2 === 0 ? [255, 255, 255, 255] : [0, 0, 0, 255]),
};
beforeAll(() =>
  bringPictures(Object.keys(PICTURES), async (sum) => ({
    data: Uint8ClampedArray.from(Array.from({ length: 400 }, (_, i) => PICTURES[sum]!(i % 20, Math.floor(i / 20))).flat()), // prettier-ignore
    width: 20,
    height: 20,
  })),
);

const circle = { kind: 'circle', box: { cx: 100, cy: 100, width: 120, height: 120 } };
const drawn = (fields: object, size = SIZE) => drawnNoise(squareTemplate(SIZE, { shape: circle, ...fields }), size);
const pattern = (picture: string | null, fields: object = {}) => ({ kind: 'pattern', picture, size: 20, ...fields });

test('at its own size a picture is its own pixels, again and again from the frame’s corner', () => {
  const { at } = drawn({ backdrop: pattern(CHESS) });
  for (const [x, y] of [
    [0, 0],
    [9, 9],
    [10, 0],
    [0, 10],
    [19, 19],
    [20, 0],
    [31, 2],
    [195, 0],
    [3, 188],
  ] as const)
    expect(at(x, y)).toEqual(PICTURES[CHESS]!(x % 20, y % 20));
});

test('twice as large it is the same picture, and turned by a quarter it lies on its side', () => {
  const large = drawn({ backdrop: pattern(CHESS, { size: 40 }) });
  for (const [x, y] of [
    [5, 5],
    [25, 5],
    [5, 25],
    [45, 5],
  ] as const)
    expect(large.at(x, y)).toEqual(PICTURES[CHESS]!(((x / 2) % 20) | 0, ((y / 2) % 20) | 0));
  const lines = drawn({ backdrop: pattern(FINE, { size: 200 }) });
  const turned = drawn({ backdrop: pattern(FINE, { size: 200, angle: 90 }) });
  // Straight between the middles of its pixels, which are ten wide now.
  const tone = ([r]: readonly number[]) => (r! > 230 ? 'white' : r! < 25 ? 'black' : 'between');
  expect([lines.at(5, 2), lines.at(15, 2), lines.at(5, 190), lines.at(9, 2)].map(tone)).toEqual(['white', 'black', 'white', 'between']); // prettier-ignore
  expect([turned.at(2, 5), turned.at(2, 15), turned.at(190, 5)].map(tone)).toEqual(['white', 'black', 'white']);
});

test('the same in a smaller output, and finer than pixels it is its mean', () => {
  const small = drawn({ backdrop: pattern(CHESS, { size: 40 }) }, SIZE / 2);
  expect([small.at(3, 3), small.at(13, 3)]).toEqual([[255, 0, 0, 255], [0, 0, 255, 255]]); // prettier-ignore
  const { at } = drawn({ backdrop: pattern(FINE, { size: 5 }) });
  // Lines of a quarter of a pixel: grey, whatever the phase.
  for (let x = 0; x < 24; x++) expect(Math.abs(at(x, 3)[0]! - 127.5)).toBeLessThanOrEqual(4);
});

test('what is clear in it stays clear, by its layer’s strength', () => {
  const over = drawn({ before: [{ show: 'paint', paint: pattern(HALF), opacity: 0.5 }] });
  const { at } = drawn({ backdrop: pattern(HALF) });
  expect(at(2, 2)).toEqual([0, 255, 0, 128]);
  expect(over.at(2, 2)).toEqual([0, 255, 0, 64]);
  expect(drawn({ backdrop: pattern(null) }).at(2, 2)[3]).toBe(0);
});

describe('on a band', () => {
  const band = (paint: object, fields: object = {}) => ({
    borders: [{ width: 20, align: 'inside', paint, ...fields }],
  });

  test('it runs along it in whole ones', () => {
    const { at } = drawn(band(pattern(CHESS, { lies: 'along', size: 19 })));
    const colours = Array.from({ length: 3600 }, (_, i) => {
      const turn = (i / 3600) * 2 * Math.PI;
      return at(Math.floor(100 + 55 * Math.sin(turn)), Math.floor(100 - 55 * Math.cos(turn)))[0]! > 127;
    });
    const changes = colours.filter((red, i) => red !== colours[(i + 1) % colours.length]).length;
    // 2π · 60 of its outer edge are 19.8 times 19: 20 of them, each of two colours.
    expect(changes).toBe(40);
  });

  test('light falls on it, and alpha is what it was', () => {
    const plain = drawn({ borders: [{ width: 20, align: 'inside', paint: '#808080' }] });
    const lit = drawn(band(pattern(CHESS), { relief: { depth: 8 } }));
    const flat = drawn(band(pattern(CHESS)));
    const isAlpha = (_: number, k: number) => k % 4 === 3;
    expect(lit.out.filter(isAlpha)).toEqual(plain.out.filter(isAlpha));
    expect(lit.out.filter((v, k) => k % 4 === 0 && v !== flat.out[k]).length).toBeGreaterThan(1000);
  });

  test('its echoes show it, too', () => {
    const { at } = drawn(band(pattern(CHESS), { echo: { count: 1, scale: 0.5, angle: 0 } }));
    const [r, g, b, alpha] = at(100, 75);
    expect(alpha).toBe(255);
    // Of noise nothing would be as clear as this.
    expect([Math.abs(r! - b!) > 200, g! < 10]).toEqual([true, true]);
  });
});

test('every use of a picture is found, with its field', () => {
  const border = { paint: pattern(CHESS) };
  const template = parseTemplate({
    wobrel: 1,
    name: 'T',
    backdrop: pattern(HALF),
    mat: { paint: pattern(FINE) },
    borders: [{}, border],
    behind: [{ show: 'picture', picture: CHESS }, { show: 'paint', paint: pattern(HALF) }],
    slots: [{ name: 'a', shape: { kind: 'heart' }, borders: [border] }],
  }); // prettier-ignore
  const found = picturesOf(template).map(({ at, sha256 }) => `${at} ${sha256[0]}`);
  expect(found.sort()).toEqual(['backdrop.picture d', 'behind[0].picture c', 'behind[1].paint.picture d', 'borders[1].paint.picture c', 'mat.paint.picture e', 'slots[0].borders[0].paint.picture c']); // prettier-ignore
  expect(keptTemplate(template)).toEqual(template);
  for (const list of ['tints', 'captions'])
    expect(() => parseTemplate({ wobrel: 1, name: 'T', [list]: [{ paint: pattern(CHESS) }] })).toThrow(`${list}[0].paint`); // prettier-ignore
});
