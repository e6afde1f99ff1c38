import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { createSightPool } from '../sight';
import { pictureOf } from '.';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-look-'));
const pool = createSightPool();
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await pool.close();
});

test.each([
  [320, 240],
  [512, 341],
  [213, 512],
  [600, 401],
  [2000, 200],
])(
  'in a photo of %i × %i pixels everything is seen in its place, and half of it shows the same',
  async (width, height) => {
    const pixels = Buffer.alloc(width * height * 3);
    const [cx, cy, radius] = [0.4 * width, 0.45 * height, 0.1 * Math.min(width, height)];
    for (let i = 0; i < width * height; i++) {
      const off = Math.hypot((i % width) + 0.5 - cx, Math.floor(i / width) + 0.5 - cy) / radius;
      pixels.fill(Math.round(250 * Math.exp(-off * off)), 3 * i, 3 * i + 3);
    }
    const path = join(folder, `${width}.png`);
    await sharp(pixels, { raw: { width, height, channels: 3 } })
      .png()
      .toFile(path);
    const seen = await pictureOf(path);
    let [sum, x, y] = [0, 0, 0];
    for (let i = 0; i < seen.width * seen.height; i++) {
      const value = seen.data[3 * i]!;
      sum += value;
      x += value * ((i % seen.width) + 0.5);
      y += value * (Math.floor(i / seen.width) + 0.5);
    }
    expect([seen.width % 2, seen.height % 2]).toEqual([0, 0]);
    // Pixels of the photo.
    expect(Math.abs((x / sum / seen.width) * width - cx)).toBeLessThan(0.05);
    expect(Math.abs((y / sum / seen.height) * height - cy)).toBeLessThan(0.05);
  },
);

describe('a photo that was cut out before', () => {
  const [width, height] = [600, 450];
  /** White, opaque by a function of its pixels' middles. */
  async function white(name: string, isOpaque: (x: number, y: number) => boolean): Promise<string> {
    const pixels = Buffer.alloc(width * height * 4, 255);
    for (let i = 0; i < width * height; i++)
      if (!isOpaque((i % width) + 0.5, Math.floor(i / width) + 0.5)) pixels.fill(0, 4 * i, 4 * i + 4);
    const path = join(folder, `${name}.png`);
    await sharp(pixels, { raw: { width, height, channels: 4 } })
      .png()
      .toFile(path);
    return path;
  }

  test('is of what is opaque, a white thing, too, in all its parts', async () => {
    const isDisc = (x: number, y: number) => Math.hypot(x - 210, y - 240) < 90;
    const isBar = (x: number, y: number) => x > 420 && x < 500 && y > 200 && y < 260;
    const { subject, again } = await pool.see(await white('two', (x, y) => isDisc(x, y) || isBar(x, y)));
    expect(subject!.confidence).toBe(1);
    const wanted = [120 / width, 150 / height, 380 / width, 180 / height];
    expect(Math.max(...subject!.box.map((v, k) => Math.abs(v - wanted[k]!)))).toBeLessThan(0.001);
    expect(again!.subject).toBeUndefined();
  });

  test('is not one whose corners alone are round, nor one that is opaque', async () => {
    const fromCorner = (x: number, y: number) =>
      Math.hypot(Math.max(0, 60 - Math.min(x, width - x)), Math.max(0, 60 - Math.min(y, height - y)));
    expect((await pool.see(await white('round', (x, y) => fromCorner(x, y) < 60))).subject?.box).not.toEqual([
      0, 0, 1, 1,
    ]);
    expect((await pool.see(await white('whole', () => true))).subject).toBeNull();
  });
});
