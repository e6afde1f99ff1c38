import { differenceCie76 } from 'culori';
import { toLab } from './lab';
import { RIM_CELLS, rimOf } from './rim';

const [WIDTH, HEIGHT] = [256, 192];
type Rgb = readonly [number, number, number];
const [GREY, INK]: readonly [Rgb, Rgb] = [
  [200, 200, 200],
  [40, 30, 30],
];

/** The most along the top, right, bottom and left of a picture in two colours. */
function most(isInk: (x: number, y: number) => boolean): number[] {
  const rgb = new Uint8Array(WIDTH * HEIGHT * 3);
  for (let i = 0; i < WIDTH * HEIGHT; i++) rgb.set(isInk(i % WIDTH, Math.floor(i / WIDTH)) ? INK : GREY, i * 3);
  return rimOf(toLab({ rgb, width: WIDTH, height: HEIGHT })).map((cells) => {
    expect(cells).toHaveLength(2 * RIM_CELLS);
    return Math.max(...Array.from({ length: RIM_CELLS }, (_, i) => parseInt(cells.slice(2 * i, 2 * i + 2), 16)));
  });
}

test('one colour has nothing that streaks, nor has an edge that runs straight into the rim', () => {
  expect(most(() => false)).toEqual([0, 0, 0, 0]);
  expect(most((_, y) => y > 100)).toEqual([0, 0, 0, 0]);
  expect(most((x) => x > 100)).toEqual([0, 0, 0, 0]);
});

test('what touches the rim and ends within the strip is as strong as the colours differ, less its share of the strip', () => {
  // 3 of the strip's 13 pixels: the strip's own step is 3/13 of it.
  const rgb = ([r, g, b]: Rgb) => ({ mode: 'rgb' as const, r: r / 255, g: g / 255, b: b / 255 });
  const apart = differenceCie76()(rgb(GREY), rgb(INK));
  const [top, right, bottom, left] = most((x, y) => x < 3 && y > 80 && y < 110);
  expect([top, right, bottom]).toEqual([0, 0, 0]);
  expect(left).toBeCloseTo(apart * (1 - 3 / 13), -1);
});

test('a slanting edge streaks, the more the more it slants', () => {
  const slanted = (slope: number) => most((x, y) => y > 90 + slope * x)[3]!;
  expect(slanted(0.2)).toBeLessThan(slanted(1));
  expect(slanted(1)).toBeGreaterThan(20);
});
