/** What a rich finish costs: CPU a photo beside a plain circle, and compiling it beside decoding a photo. */
import sharp from 'sharp';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { bringPictures } from '../src/core/pictures';
import { placer } from '../src/core/placement';
import { compile } from '../src/core/plate';
import { parseTemplate } from '../src/core/template';
import { inspectPhoto } from '../src/server/intake';
import { renderPhoto, reusedBuffers } from '../src/server/render/render';
import { cpuOf, inTurn } from './cpu';
import { median } from './median';
import { benchPhotos } from './photos';

const OUT = 'scratch/bench-finish';
const SIZE = 1080;

/** Filters, three tints of which one mixes channels, three borders with a gradient and a dash, two shadows and a mat. */
export const RICH = {
  filters: { brightness: 1.1, contrast: 1.2, saturate: 0.8 },
  tints: [
    { paint: { kind: 'contour', depth: 240, stops: [[0, '#00000099'], [1, '#00000000']] } },
    { paint: { kind: 'radial', stops: [[0, '#ffcc0040'], [1, '#00000000']] }, blend: 'soft-light' },
    { paint: { kind: 'linear', stops: [[0, '#ff0000'], [1, '#0000ff']] }, blend: 'color', opacity: 0.3 },
  ],
  borders: [
    { width: 16 },
    { width: 10, gap: 20, paint: { kind: 'along', stops: [[0, '#ff0000'], [1, '#0000ff']] } },
    { width: 8, gap: 40, dash: [30, 20] },
  ],
  shadows: [{}, { y: 30, blur: 60 }],
  mat: { bottom: 100, paint: '#ffffff' },
}; // prettier-ignore

/** The picture that is shown behind and on top. */
const PICTURE = 'a'.repeat(64);
const picture = { show: 'picture', picture: PICTURE } as const;

const FINISHES = {
  plain: {},
  rich: RICH,
  /** Beside a cutout on a paint, as it fills the picture, too. */
  painted: { backdrop: '#ffffff' },
  pictured: { behind: [picture], before: [{ ...picture, place: { cx: 900, cy: 900, width: 200, height: 200 } }] },
  photoBehind: { behind: [{ blur: 48 }] },
} as const;
type Name = keyof typeof FINISHES;
const NAMES = Object.keys(FINISHES) as Name[];

/** One photo after the other into a PNG of 1080 px. */
export function renderer(name: string, fields: object) {
  const template = parseTemplate({ wobrel: 1, name, ...fields, outputs: [{ width: SIZE }] });
  const plate = compile(template, SIZE);
  mkdirSync(OUT, { recursive: true });
  const [place, bufferFor] = [placer(template), reusedBuffers()];
  return async (path: string) => {
    const photo = await inspectPhoto(path);
    const words = { photo: path, batch: '', index: 1 };
    const targets = [{ output: template.outputs[0]!, plate, path: join(OUT, name) }];
    const placed = { path, photo, placement: place(photo), outside: { kind: 'none' } as const };
    await renderPhoto({ template, photos: [{ ...placed, sight: null }], words, targets, widest: null }, bufferFor);
  };
}

export type FinishSpeed = Record<Name | 'decode' | 'compilePlain' | 'compileRich', number>;

/** Medians in ms over interleaved rounds. */
export async function measureFinish(rounds: number, photoCount: number): Promise<FinishSpeed> {
  sharp.concurrency(1);
  sharp.cache(false);
  const paths = await benchPhotos(photoCount);
  // White as the other ground is: both files cost the same to encode.
  const data = new Uint8Array(800 * 600 * 4).fill(255);
  await bringPictures([PICTURE], async () => ({ data, width: 800, height: 600 }));
  const ways = Object.fromEntries(NAMES.map((name) => [name, renderer(name, FINISHES[name])])) as Record<Name, ReturnType<typeof renderer>>; // prettier-ignore
  const keys = [...NAMES, 'decode', 'compilePlain', 'compileRich'] as const;
  const times = Object.fromEntries(keys.map((key) => [key, [] as number[]])) as Record<keyof FinishSpeed, number[]>;
  const decode = (path: string) => sharp(path).raw().toBuffer();
  // The first photo of each is left out: the loops are not compiled yet.
  for (const name of NAMES) await ways[name](paths[0]!);
  for (let round = 0; round < rounds; round++) {
    for (const name of NAMES) times[name].push((await cpuOf(() => inTurn(paths, ways[name]))) / paths.length);
    times.decode.push((await cpuOf(() => inTurn(paths, decode))) / paths.length);
    for (const [name, key] of [
      ['plain', 'compilePlain'],
      ['rich', 'compileRich'],
    ] as const)
      times[key].push(await cpuOf(() => compile(parseTemplate({ wobrel: 1, name, ...FINISHES[name] }), SIZE)));
  }
  return Object.fromEntries(Object.entries(times).map(([name, list]) => [name, median(list)])) as FinishSpeed;
}
