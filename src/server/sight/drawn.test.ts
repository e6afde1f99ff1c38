/** Clean pictures as small JPEGs, whose colour is kept half as fine and runs out into its blocks over the ground. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '../../../demo/generator/random';
import { createSightPool } from '.';
import { UNSURE } from './known-scenes';

const pool = createSightPool();
const folder = mkdtempSync(join(tmpdir(), 'wobrel-drawn-'));
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await pool.close();
});

type Disc = { readonly x: number; readonly y: number; readonly radius: number };

type Colour = readonly number[];

/** A disc of one colour on a ground of another, drawn with soft pixels at its rim. */
async function drawnIn(
  path: string,
  width: number,
  [ground, own]: readonly [Colour, Colour],
  random: () => number,
): Promise<Disc> {
  const height = Math.round(width * 0.75);
  const [x, y, radius] = [(0.3 + 0.4 * random()) * width, (0.35 + 0.3 * random()) * height, (0.08 + 0.14 * random()) * width]; // prettier-ignore
  const pixels = Buffer.alloc(width * height * 3);
  for (let v = 0, k = 0; v < height; v++)
    for (let u = 0; u < width; u++)
      for (let c = 0; c < 3; c++, k++) {
        const share = Math.min(1, Math.max(0, radius + 0.5 - Math.hypot(u + 0.5 - x, v + 0.5 - y)));
        pixels[k] = Math.round(ground[c]! + (own[c]! - ground[c]!) * share);
      }
  const picture = sharp(pixels, { raw: { width, height, channels: 3 } });
  await picture.jpeg({ quality: 75, chromaSubsampling: '4:2:0' }).toFile(path);
  return { x: x / width, y: y / height, radius: radius / width };
}

async function drawn(path: string, width: number, isWhite: boolean, random: () => number): Promise<Disc> {
  const colour = (from: number, to: number) => [0, 1, 2].map(() => from + (to - from) * random());
  return drawnIn(path, width, [isWhite ? [255, 255, 255] : colour(180, 240), colour(0, 170)], random);
}

test.each([
  [320, 'coloured', 0.02],
  [320, 'white', 0.02],
  [800, 'coloured', 0.005],
  [800, 'white', 0.005],
])(
  '24 discs in %i pixels on %s ground: of all but two the box is as large as they are, and in their place',
  async (width, ground, most) => {
    const random = seeded(2024);
    const off: number[] = [];
    for (let i = 0; i < 24; i++) {
      const path = join(folder, `${width}-${ground}-${i}.jpg`);
      const disc = await drawn(path, width, ground === 'white', random);
      const { subject } = await pool.see(path);
      expect(subject!.confidence).toBeGreaterThan(UNSURE);
      const [l, t, w, h] = subject!.box;
      const size = Math.abs(Math.max(w, h * 0.75) / (2 * disc.radius) - 1);
      const place = Math.max(Math.abs(l + w / 2 - disc.x), 0.75 * Math.abs(t + h / 2 - disc.y)) / (2 * disc.radius);
      off.push(Math.max(size, 2 * place));
    }
    expect(off.filter((v) => v > most).length).toBeLessThanOrEqual(2);
  },
);

test.each([
  [255, 230],
  [255, 205],
  [240, 180],
  [225, 165],
])('a grey thing on a ground of %i that is %i, as dark as a shadow, is found in its place', async (ground, own) => {
  const path = join(folder, `grey-${ground}-${own}.jpg`);
  const grey = (value: number) => [value, value, value];
  const disc = await drawnIn(path, 640, [grey(ground), grey(own)], seeded(own));
  const { subject } = await pool.see(path);
  expect(subject!.confidence).toBeGreaterThan(UNSURE);
  const [l, t, w, h] = subject!.box;
  const extent = 2 * disc.radius;
  expect(Math.abs(Math.max(w, h * 0.75) / extent - 1)).toBeLessThan(0.06);
  expect(Math.hypot(l + w / 2 - disc.x, 0.75 * (t + h / 2) - 0.75 * disc.y) / extent).toBeLessThan(0.02);
});
