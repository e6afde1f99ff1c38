import { pixelsOf } from './pixels';

const square = { width: 1080, height: 1080 };
const wide = { width: 1080, height: 500 };

test.each([
  [1, 121, 121],
  [2, 121, 242],
  // Steps of common systems, as browsers say them.
  [1.25, 121, 151],
  [1.5, 123, 184],
  [1.3333333730697632, 120, 160],
  [0.8999999761581421, 100, 89],
])('at %s pixels a CSS pixel, %s of them hold %s', (density, width, drawn) => {
  const pixels = pixelsOf(wide, width, density);
  expect(pixels.drawn).toBe(drawn);
  // The room is whole pixels of the screen, both ways, in the 64ths that browsers reckon in.
  const on = (length: number) => Math.floor(Math.fround(Math.fround(length) * Math.fround(density)) * 64) / 64;
  expect(on(pixels.room.width)).toBe(drawn);
  expect(on(pixels.room.height)).toBe(Math.round((drawn * 500) / 1080));
});

test('there is at least one pixel, and no more are drawn than are wanted', () => {
  expect(pixelsOf(square, 0.3, 1)).toEqual({ drawn: 1, room: { width: 1, height: 1 } });
  expect(pixelsOf(square, 196, 2, 64)).toEqual({ drawn: 64, room: { width: 196, height: 196 } });
});
