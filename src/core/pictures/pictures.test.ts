import sharp from 'sharp';
import { bringPictures, drawnPicture, fitted, pictureAtHand } from '.';
import { levelsOf } from './levels';

const picture = (width: number, height: number, at: (x: number, y: number) => readonly number[]) => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, k = 0; y < height; y++) for (let x = 0; x < width; x++, k += 4) data.set(at(x, y), k);
  return { data, width, height };
};
const ready = (raster: ReturnType<typeof picture>) => ({ ...raster, levels: levelsOf(raster) });

test('fits: all of the box, all of the picture, or both', () => {
  const box = { left: 10, top: 20, width: 100, height: 100 };
  const size = { width: 400, height: 200 };
  expect(fitted(size, box, 'cover')).toEqual({ left: -40, top: 20, width: 200, height: 100 });
  expect(fitted(size, box, 'contain')).toEqual({ left: 10, top: 45, width: 100, height: 50 });
  expect(fitted(size, box, 'stretch')).toEqual(box);
});

test('at its own size it is itself, premultiplied', () => {
  const raster = picture(16, 8, (x, y) => [(x % 2) * 200, (y % 3) * 100, 90, 128]);
  const box = { left: 0, top: 0, width: 16, height: 8 };
  const out = drawnPicture(ready(raster), box, 'stretch', box);
  for (const [x, y] of [[3, 2], [8, 5]] as const) // prettier-ignore
    [(x % 2) * 200 * 0.502, (y % 3) * 100 * 0.502, 45, 128].forEach((v, c) => expect(Math.abs(out[(y * 16 + x) * 4 + c]! - v)).toBeLessThan(1.5)); // prettier-ignore
});

test('its rim covers pixels by area, beyond it is nothing', () => {
  const white = ready(picture(40, 40, () => [255, 255, 255, 255]));
  const window = { left: 0, top: 0, width: 20, height: 20 };
  const out = drawnPicture(white, { left: 4.25, top: 5.5, width: 10, height: 10 }, 'stretch', window);
  const at = (x: number, y: number) => out[(y * 20 + x) * 4 + 3];
  expect([at(3, 8), at(4, 8), at(5, 8), at(14, 8), at(15, 8)]).toEqual([0, 191, 255, 64, 0]);
  expect([at(8, 4), at(8, 5), at(8, 15)]).toEqual([0, 128, 128]);
  expect(out.reduce((sum, v, i) => (i % 4 === 3 ? sum + v / 255 : sum), 0)).toBeCloseTo(100, 0);
});

test('squeezed twenty times a fine pattern is even: no more than 4 of 255 from its mean', () => {
  const checks = ready(picture(1200, 1200, (x, y) => ((x + y) % 2 ? [255, 255, 255, 255] : [0, 0, 0, 255])));
  for (const size of [60, 59, 57.3]) {
    const window = { left: 0, top: 0, width: Math.floor(size), height: Math.floor(size) };
    const out = drawnPicture(checks, { left: 0, top: 0, width: size, height: size }, 'stretch', window);
    let most = 0;
    for (let k = 0; k < out.length; k += 4) most = Math.max(most, Math.abs(out[k]! - 127.5));
    expect(most).toBeLessThanOrEqual(4);
  }
});

test('smaller it is what libvips makes of it with a plain kernel, within a few levels', async () => {
  const raster = picture(600, 400, (x, y) => [128 + 100 * Math.sin(x / 17), 128 + 100 * Math.cos(y / 23), (x * y) % 200, 255]); // prettier-ignore
  const other = await sharp(Buffer.from(raster.data), { raw: { width: 600, height: 400, channels: 4 } })
    .resize(150, 100, { kernel: 'linear' })
    .raw()
    .toBuffer();
  const box = { left: 0, top: 0, width: 150, height: 100 };
  const out = drawnPicture(ready(raster), box, 'stretch', box);
  let sum = 0;
  for (let k = 0; k < out.length; k += 4) sum += Math.abs(out[k]! - other[k]!) + Math.abs(out[k + 1]! - other[k + 1]!);
  expect(sum / (out.length / 2)).toBeLessThan(2);
});

test('what was brought is at hand; what was not is missing where it is wanted', async () => {
  const raster = picture(2, 2, () => [1, 2, 3, 255]);
  let read = 0;
  const bring = () => bringPictures(['aa', 'aa'], async () => (read++, raster));
  await Promise.all([bring(), bring()]);
  await bring();
  expect(read).toBe(1);
  expect(pictureAtHand('aa', 'behind[0].picture')).toMatchObject({ width: 2, height: 2 });
  expect(() => pictureAtHand('bb', 'behind[0].picture')).toThrow('behind[0].picture: the picture is missing');
});
