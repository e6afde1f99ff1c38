/**
 * A cutout of several photos: what it costs beside its photos' decoding and the loop of a plain cutout.
 * (a) the plain loop: one photo's pixels through a circle's plate, and into a PNG;
 * (b) decoding: each photo as sharp gives it at the size and part that its slot shows;
 * (c) the sheet: six photos into one PNG by the same way as an export;
 * (d) compiling such a sheet with eight layers, beside decoding one photo whole.
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { noiseOn } from '../src/core/testing/drawn';
import { placer } from '../src/core/placement';
import { compile, compose, composeSheet, slotPlates } from '../src/core/plate';
import { parseTemplate } from '../src/core/template';
import { inspectPhoto } from '../src/server/intake';
import { photoPixels } from '../src/server/render/photo-pixels';
import { encode } from '../src/server/render/encode';
import { renderPhoto, reusedBuffers } from '../src/server/render/render';
import { cpuOf } from './cpu';
import { median } from './median';
import { benchPhotos } from './photos';

const OUT = 'scratch/bench-slots';
const SIZE = 1080;

const finish = { borders: [{ width: 8, paint: '#24594f' }], shadows: [{ y: 8, blur: 16, opacity: 0.35 }] };
const box = (i: number) => ({ cx: 190 + 350 * (i % 3), cy: 280 + 500 * Math.floor(i / 3), width: 320, height: 440 });
const document = {
  wobrel: 1,
  name: 'Sheet',
  backdrop: '#f4efe6',
  slots: Array.from({ length: 6 }, (_, i) => ({ name: `${i}`, shape: { kind: 'rectangle', radii: [30, 30, 30, 30], box: box(i) }, ...finish })), // prettier-ignore
  outputs: [{ width: SIZE }],
};
const sheet = parseTemplate(document);
const shape = (kind: string, cx: number, cy: number, width: number, height = width) => ({ kind, box: { cx, cy, width, height } }); // prettier-ignore
/** Some that lie on others, two that are mixed with all below, a set, and a hole through everything. */
const layers = {
  behind: [
    { show: 'paint', paint: { kind: 'radial', stops: [[0, '#ffffff'], [1, '#ffffff00']] } }, // prettier-ignore
    { show: 'paint', paint: '#ffffff80', shape: shape('rectangle', 540, 540, 1000, 300) },
    { show: 'paint', paint: '#24594f30', blend: 'multiply', shape: shape('circle', 540, 540, 700) },
  ],
  before: [
    { show: 'paint', paint: '#b5622bcc', shape: shape('rectangle', 540, 1040, 1080, 80), set: 'Foot' },
    { show: 'paint', paint: '#ffffff', shape: shape('star', 540, 1040, 60), set: 'Foot' },
    { show: 'hole', through: 'all', shape: shape('circle', 540, 540, 90) },
    { show: 'paint', paint: '#ffffff', blend: 'difference', shape: shape('star', 60, 60, 70) },
    { show: 'paint', paint: '#00000040', shape: shape('circle', 1020, 60, 70) },
  ],
  sets: [{ name: 'Foot', opacity: 0.9 }],
};
const plain = parseTemplate({ wobrel: 1, name: 'Plain', ...finish, outputs: [{ width: SIZE }] });

const WORDS = { photo: 'photo.jpg', batch: '', index: 1 };

export type SlotsSpeed = Record<
  'plainLoop' | 'sheetLoop' | 'decodes' | 'encodeOne' | 'whole' | 'decode' | 'layered',
  number
>;

/** Medians in ms of CPU. */
export async function measureSlots(rounds: number): Promise<SlotsSpeed> {
  sharp.concurrency(1);
  sharp.cache(false);
  mkdirSync(OUT, { recursive: true });
  const paths = await benchPhotos(6);
  const facts = await Promise.all(paths.map(inspectPhoto));
  const [sheetPlate, plainPlate] = [compile(sheet, SIZE), compile(plain, SIZE)];
  const own = slotPlates(sheetPlate).map((plate) => plate!);
  const place = placer(sheet);
  const placed = paths.map((path, i) => ({
    path,
    photo: facts[i]!,
    placement: place({ ...facts[i]!, slot: i }),
    outside: { kind: 'none' } as const,
  }));
  const noise = own.map((plate, i) => ({ pixels: noiseOn(plate, i), colours: [] }));
  const one = noiseOn(plainPlate, 1);
  const [buffer, bufferFor] = [new Uint8ClampedArray(plainPlate.blank.length), reusedBuffers()];
  const target = { output: sheet.outputs[0]!, plate: sheetPlate, path: join(OUT, 'sheet.png') };
  const whole = () => renderPhoto({ template: sheet, photos: placed.map((photo) => ({ ...photo, sight: null })), words: WORDS, targets: [target], widest: null }, bufferFor); // prettier-ignore
  await whole();
  const finished = new Uint8ClampedArray(await sharp(target.path).ensureAlpha().raw().toBuffer());
  const ways = {
    plainLoop: () => compose(plainPlate, one, [], buffer),
    sheetLoop: () => composeSheet(sheetPlate, noise, [], buffer),
    decodes: async () => {
      for (const [i, photo] of placed.entries()) await photoPixels({ ...photo, space: 'srgb' }, null)(own[i]!);
    },
    encodeOne: async () => {
      await encode({ pixels: finished, width: SIZE, height: SIZE, ppi: 96 }, sheet.outputs[0]!, null);
    },
    whole,
    decode: () => sharp(paths[0]).raw().toBuffer(),
    layered: () => compile(parseTemplate({ ...document, ...layers }), SIZE),
  };
  const keys = Object.keys(ways) as (keyof typeof ways)[];
  const times = Object.fromEntries(keys.map((key) => [key, [] as number[]])) as Record<keyof typeof ways, number[]>;
  for (let round = -2; round < rounds; round++)
    for (const key of keys) {
      const spent = await cpuOf(ways[key]);
      // The loops are compiled in the first rounds.
      if (round >= 0) times[key].push(spent);
    }
  return Object.fromEntries(keys.map((key) => [key, median(times[key])])) as SlotsSpeed;
}
