import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { lossTask } from './loss';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-loss-'));
afterAll(() => rmSync(folder, { recursive: true }));

const SIZE = 128;
/** A picture of one function of x and y, RGBA. */
async function picture(
  name: string,
  value: (x: number, y: number) => readonly [grey: number, alpha: number],
  [width, height] = [SIZE, SIZE],
): Promise<string> {
  const data = Buffer.alloc(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    const [grey, alpha] = value(i % width, Math.floor(i / width));
    data.set([grey, grey, grey, alpha], i * 4);
  }
  const path = join(folder, name);
  await sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toFile(path);
  return path;
}
const wave = (x: number, y: number) => 128 + 60 * Math.sin(x / 5) * Math.cos(y / 7);

test('the same picture is 1 and black', async () => {
  const path = await picture('same.png', (x, y) => [wave(x, y), 255]);
  const { ssim, largest, picture: shown } = await lossTask({ file: path, exact: path });
  expect([ssim, largest]).toEqual([1, 0]);
  expect((await sharp(shown).stats()).channels.map(({ max }) => max)).toEqual([0, 0, 0]);
});

test('two even greys: the closed form of the luminance term (Wang et al. 2004, eq. 6), and eight times the difference', async () => {
  const [a, b] = [100, 110];
  const {
    ssim,
    largest,
    picture: shown,
  } = await lossTask({
    file: await picture('a.png', () => [a, 255]),
    exact: await picture('b.png', () => [b, 255]),
  });
  const c1 = (0.01 * 255) ** 2;
  expect(ssim).toBeCloseTo((2 * a * b + c1) / (a * a + b * b + c1), 4);
  expect(largest).toBe(10);
  expect((await sharp(shown).stats()).channels.map(({ min, max }) => [min, max])).toEqual([[80, 80], [80, 80], [80, 80]]); // prettier-ignore
});

test.each([
  [1, 1],
  [1, 40],
  [40, 10],
  [10, 10],
  [11, 11],
])('%i × %i px, where the window just fits or does not', async (...size) => {
  const [a, b] = [await picture('a.png', () => [100, 255], size), await picture('b.png', () => [110, 255], size)];
  const c1 = (0.01 * 255) ** 2;
  const { ssim, picture: shown } = await lossTask({ file: a, exact: b });
  expect(ssim).toBeCloseTo((2 * 100 * 110 + c1) / (100 ** 2 + 110 ** 2 + c1), 4);
  expect((await lossTask({ file: a, exact: a })).ssim).toBe(1);
  const { width, height } = await sharp(shown).metadata();
  expect([width, height]).toEqual(size);
});

test('the more is lost, the lower; what is clear in both does not count, lost alpha does', async () => {
  const exact = await picture('exact.png', (x, y) => [wave(x, y), x < 64 ? 255 : 0]);
  const noisy = async (by: number) =>
    (await lossTask({ file: await picture(`n${by}.png`, (x, y) => [wave(x, y) + by * ((x * 7 + y * 13) % 3 - 1), x < 64 ? 255 : 0]), exact })).ssim; // prettier-ignore
  const [little, much] = [await noisy(4), await noisy(30)];
  expect(little).toBeLessThan(1);
  expect(much).toBeLessThan(little);
  const other = await picture('hidden.png', (x, y) => [x < 64 ? wave(x, y) : 255, x < 64 ? 255 : 0]);
  expect((await lossTask({ file: other, exact })).largest).toBe(0);
  const halved = await picture('halved.png', (x, y) => [wave(x, y), x < 64 ? 128 : 0]);
  expect((await lossTask({ file: halved, exact })).largest).toBeGreaterThan(20);
});
