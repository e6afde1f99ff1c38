import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { SHOTS } from './scenes';
import { develop, trace } from './tracer';

const FOLDER = 'demo/photos';
const files = readdirSync(FOLDER, { recursive: true, encoding: 'utf8' }).filter((name) =>
  statSync(join(FOLDER, name)).isFile(),
);
const subjects = JSON.parse(readFileSync('demo/subjects.json', 'utf8')) as {
  file: string;
  width: number;
  height: number;
  box: [number, number, number, number];
}[];

test('a picture traced twice is the same to the byte, and another seed gives another picture', () => {
  const drawn = (i: number) => develop(trace(SHOTS[i]!.scene(), 3, 2), 3, 2, SHOTS[i]!.exposure);
  expect(drawn(0).equals(drawn(0))).toBe(true);
  expect(drawn(0).equals(drawn(1))).toBe(false);
});

test('every picture of the plan is there, and all together are at most 40 MB', () => {
  expect(SHOTS.length).toBeGreaterThanOrEqual(60);
  expect(SHOTS.filter((shot) => !existsSync(join(FOLDER, shot.file)))).toEqual([]);
  const bytes = files.reduce((sum, name) => sum + statSync(join(FOLDER, name)).size, 0);
  expect(bytes).toBeLessThan(40e6);
});

test('the folder holds what real folders hold: all orientations, CMYK, wide gamut, 16 bits, small and 12 megapixels', async () => {
  const pictures = files.filter((name) => !/price-list|empty|cut-short/.test(name));
  const facts = await Promise.all(pictures.map(async (name) => sharp(join(FOLDER, name)).metadata()));
  expect([...new Set(facts.map((f) => f.orientation ?? 1))].sort()).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  expect(new Set(facts.map((f) => f.format))).toEqual(new Set(['jpeg', 'png', 'webp', 'heif', 'tiff', 'gif']));
  expect(facts.filter((f) => f.space === 'cmyk').length).toBeGreaterThan(0);
  expect(facts.filter((f) => f.depth === 'ushort').length).toBeGreaterThan(0);
  const sizes = facts.map((f) => f.width * f.height);
  expect(Math.max(...sizes)).toBeGreaterThanOrEqual(12_000_000);
  expect(Math.min(...facts.map((f) => Math.max(f.width, f.height)))).toBeLessThanOrEqual(800);
});

test('the known subject of every picture lies within the upright photo', async () => {
  for (const { file, width, height, box } of subjects) {
    const { autoOrient } = await sharp(join(FOLDER, file)).metadata();
    expect({ file, size: [autoOrient.width, autoOrient.height] }).toEqual({ file, size: [width, height] });
    const [left, top, right, bottom] = box;
    expect([left >= 0, top >= 0, right <= width, bottom <= height, right > left, bottom > top]).toEqual(
      Array(6).fill(true),
    );
  }
});
