/**
 * CPU time a photo of 12 megapixels, in one run side by side:
 * (a) the floor: sharp decodes and resizes the file, and encodes pixels that are finished already;
 * (b) Wobrel's whole pipeline, its plate compiled anew in every round;
 * (c) a hand-written sharp script: an SVG mask, a ring and a blurred shadow composited for each photo.
 */
import { mkdirSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { placer } from '../src/core/placement';
import { compile } from '../src/core/plate';
import { inspectPhoto } from '../src/server/intake';
import { encode } from '../src/server/render/encode';
import { lookOf } from '../src/server/render/look';
import { renderPhoto, reusedBuffers } from '../src/server/render/render';
import { median } from './median';
import { cpuOf, inTurn } from './cpu';
import { benchPhotos } from './photos';
import { benchTemplate, FORMATS, type BenchFormat } from './template';

const OUT = 'scratch/bench-out';
const SIZE = 1080;

/** Made ready once a round; what it answers works on one photo. */
type Way = (format: BenchFormat) => (path: string) => Promise<void>;

/** Pixels of a finished cutout, for the floor to encode. */
async function finishedPixels(path: string): Promise<Uint8ClampedArray> {
  const file = join(OUT, 'finished.png');
  const { template, output } = benchTemplate('png');
  const plate = compile(template, SIZE);
  const photo = await inspectPhoto(path);
  await renderPhoto({
    template,
    photos: [{ path, photo, placement: placer(template)(photo), outside: { kind: 'none' }, sight: null }],
    words: { photo: 'photo.jpg', batch: '', index: 1 },
    targets: [{ output, plate, path: file }],
    widest: null,
  });
  return new Uint8ClampedArray(await sharp(file).raw().toBuffer());
}

const floor =
  (finished: Uint8ClampedArray): Way =>
  (format) => {
    const { output } = benchTemplate(format);
    return async (path) => {
      await sharp(path).autoOrient().resize(1280, 960, { fit: 'fill' }).raw().toBuffer();
      const { data } = await encode({ pixels: finished, width: SIZE, height: SIZE, ppi: 96 }, output, null);
      await writeFile(join(OUT, 'floor'), data);
    };
  };

const wobrel: Way = (format) => {
  const { template, output } = benchTemplate(format);
  const plate = compile(template, SIZE, lookOf(output).matte);
  const place = placer(template);
  const bufferFor = reusedBuffers();
  return async (source) => {
    const photo = await inspectPhoto(source);
    const targets = [{ output, plate, path: join(OUT, 'wobrel') }];
    const outside = { kind: 'none' } as const;
    const placed = { path: source, photo, placement: place(photo), outside };
    await renderPhoto(
      {
        template,
        photos: [{ ...placed, sight: null }],
        words: { photo: 'photo.jpg', batch: '', index: 1 },
        targets,
        widest: null,
      },
      bufferFor,
    );
  };
};

const svg = (inner: string) =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE}" height="${SIZE}">${inner}</svg>`);

/** What a competent person writes with sharp alone. */
const script: Way = (format) => {
  const mask = svg('<circle cx="540" cy="540" r="480"/>');
  const ring = svg('<circle cx="540" cy="540" r="472" fill="none" stroke="#24594f" stroke-width="16"/>');
  const cast = svg('<circle cx="540" cy="552" r="480" fill-opacity="0.35"/>');
  return async (path) => {
    const round = await sharp(path)
      .autoOrient()
      .resize(960, 960, { fit: 'cover' })
      .extend({ top: 60, bottom: 60, left: 60, right: 60, background: { r: 0, g: 0, b: 0, alpha: 0 } })
      .composite([{ input: mask, blend: 'dest-in' }, { input: ring }])
      .raw()
      .toBuffer();
    const shadow = await sharp(cast).blur(12).raw().toBuffer();
    const raw = { width: SIZE, height: SIZE, channels: 4 } as const;
    const picture = sharp(shadow, { raw }).composite([{ input: round, raw }]);
    if (format === 'png') picture.png();
    else if (format === 'webp') picture.webp({ quality: 90, alphaQuality: 100 });
    else picture.flatten({ background: '#ffffff' }).jpeg({ quality: 90, chromaSubsampling: '4:4:4' });
    await writeFile(join(OUT, 'script'), await picture.toBuffer());
  };
};

const NAMES = ['floor', 'wobrel', 'script'] as const;
type Times = Record<(typeof NAMES)[number], number>;

/** One round: every photo goes through all ways in turn, so that a busy machine slows them alike. */
async function roundOf(ways: Record<keyof Times, Way>, paths: readonly string[], format: BenchFormat): Promise<Times> {
  const sums: Times = { floor: 0, wobrel: 0, script: 0 };
  const ready = {} as Record<keyof Times, (path: string) => Promise<void>>;
  for (const name of NAMES) {
    sums[name] += await cpuOf(() => {
      ready[name] = ways[name](format);
    });
  }
  for (const name of NAMES) sums[name] += await cpuOf(() => inTurn(paths, ready[name]));
  return { floor: sums.floor / paths.length, wobrel: sums.wobrel / paths.length, script: sums.script / paths.length };
}

export type Speed = Record<
  BenchFormat,
  { floor: number; wobrel: number; script: number; wobrelToFloor: number; scriptToWobrel: number }
>;

/** Medians over interleaved rounds. */
export async function measureSpeed(rounds: number, photoCount: number): Promise<Speed> {
  sharp.concurrency(1);
  sharp.cache(false);
  // Intake shuts SVG off for photos; the hand-written script draws its mask with it.
  sharp.unblock({ operation: ['VipsForeignLoadSvg'] });
  mkdirSync(OUT, { recursive: true });
  const paths = await benchPhotos(photoCount);
  const ways = { floor: floor(await finishedPixels(paths[0]!)), wobrel, script };
  const result: Partial<Speed> = {};
  for (const format of FORMATS) {
    await roundOf(ways, paths.slice(0, 3), format);
    const times: Times[] = [];
    for (let round = 0; round < rounds; round++) times.push(await roundOf(ways, paths, format));
    const middle = (of: (t: Times) => number) => median(times.map(of));
    result[format] = {
      floor: middle((t) => t.floor),
      wobrel: middle((t) => t.wobrel),
      script: middle((t) => t.script),
      wobrelToFloor: middle((t) => t.wobrel / t.floor),
      scriptToWobrel: middle((t) => t.script / t.wobrel),
    };
  }
  return result as Speed;
}
