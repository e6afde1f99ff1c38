import { rimOfMask, SIDES, sidesOf, smallMask } from './small-mask';

const raster = { width: 100, height: 80 };

/** All pixels of the raster for which `inside` holds. */
const pixelsWhere = (inside: (x: number, y: number) => boolean) =>
  Array.from({ length: raster.width * raster.height }, (_, i) => i).filter((i) =>
    inside((i % raster.width) + 0.5, Math.floor(i / raster.width) + 0.5),
  );

test('a full box fills every cell, and its rim is the box', () => {
  const mask = smallMask(
    pixelsWhere((x, y) => x > 10 && x < 58 && y > 20 && y < 68),
    [10, 20, 58, 68],
    raster.width,
  );
  expect(mask).toBe('f'.repeat(144));
  const rim = rimOfMask(mask);
  expect(rim).toHaveLength(48);
  expect([rim[0], rim[23], rim[24], rim[47]]).toEqual([[0, 0], [0, 1], [1, 1], [1, 0]]); // prettier-ignore
});

test('the rim of a disc lies on its circle within a cell', () => {
  const rim = rimOfMask(
    smallMask(
      pixelsWhere((x, y) => Math.hypot(x - 50, y - 40) < 36),
      [14, 4, 86, 76],
      100,
    ),
  );
  for (const [x, y] of rim.slice(1, 23)) expect(Math.abs(Math.hypot(x - 0.5, y - 0.5) - 0.5)).toBeLessThan(1 / 24);
});

test('rows without any cell have no ends', () => {
  const mask = smallMask(
    pixelsWhere((_, y) => y < 20 || y > 60),
    [0, 0, 100, 80],
    100,
  );
  expect(rimOfMask(mask).every(([, y]) => y < 0.27 || y > 0.73)).toBe(true);
});

test('every pixel of a picture is within a disc, outside it, or in the cells along its rim', () => {
  const mask = smallMask(
    pixelsWhere((x, y) => Math.hypot(x - 50, y - 40) < 36),
    [14, 4, 86, 76],
    100,
  );
  const half = { width: 50, height: 40 };
  const sides = sidesOf(mask, [0.14, 0.05, 0.72, 0.9], half);
  // Cells are a pixel and a half wide in half of the picture: the rim's reach two of them to either side.
  const wrong = [...sides].filter((side, i) => {
    const off = Math.hypot((i % 50) + 0.5 - 25, Math.floor(i / 50) + 0.5 - 20) - 18;
    return side === SIDES.between ? Math.abs(off) > 4.5 : (side === SIDES.subject) !== off < 0;
  });
  expect(wrong).toHaveLength(0);
  expect(new Set(sides)).toEqual(new Set(Object.values(SIDES)));
});
