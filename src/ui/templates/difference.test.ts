import { differenceOf, differing } from './difference';

const picture = (...pixels: number[]) => ({
  pixels: Uint8ClampedArray.from(pixels),
  width: pixels.length / 4,
  height: 1,
});

test('colours count as far as they are seen', () => {
  expect(differenceOf(picture(9, 9, 9, 255), picture(9, 9, 9, 255))).toBe(0);
  expect(differenceOf(picture(255, 0, 0, 0), picture(0, 255, 0, 0))).toBe(0);
  expect(differenceOf(picture(200, 0, 0, 255), picture(100, 0, 0, 255))).toBe(25);
  expect(differenceOf(picture(0, 0, 0, 255), picture(0, 0, 0, 55))).toBe(50);
  expect(differenceOf(picture(0, 0, 0, 255), picture(0, 0, 0, 255, 0, 0, 0, 255))).toBe(Infinity);
});

test('the most different come first, and those that are alike not at all', () => {
  const pairs = [0, 3, Infinity, 1, 3].map((by, id) => ({ id, before: null, after: null, by }));
  expect(differing(pairs).map(({ id }) => id)).toEqual([2, 1, 4, 3]);
});
