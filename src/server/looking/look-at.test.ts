import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { pictureOf } from '.';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-look-'));
afterAll(() => rmSync(folder, { recursive: true }));

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
