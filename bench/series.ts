/** Series from one stand: each a thing again and again before one ground, in other places, sizes and light. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { betweenOf, fetched, fileOf, FOLDER, joined, ownOf, SIZES, trimmed, type Made, type PARTS } from './composites';

/** Of each part, so many series of so many photos. */
const SERIES = { tuned: 24, measured: 40 } as const;
const PHOTOS = 8;

export type OfSeries = Made & { readonly part: keyof typeof PARTS; readonly series: number };

type Stand = { readonly size: readonly [number, number]; readonly thing: Buffer; readonly ground: Buffer; readonly blur: number; readonly share: number }; // prettier-ignore

/** What all photos of a series have: the camera wanders over a ground that is a quarter larger each way than they are. */
async function standOf(n: number, thing: string, ground: string, soft: boolean): Promise<Stand> {
  const between = betweenOf(991 + 17 * n);
  const size = SIZES[n % SIZES.length]!;
  const [width, height] = size.map((side) => Math.round(side * 1.25)) as [number, number];
  return {
    size,
    thing: await trimmed(fileOf(thing)),
    ground: await sharp(fileOf(ground)).resize(width, height, { fit: 'cover' }).removeAlpha().toColourspace('srgb').png().toBuffer(), // prettier-ignore
    blur: soft ? between(7, 14) : n % 2 ? between(4, 12) : 0,
    share: between(0.38, 0.63),
  };
}

async function photoOf(path: string, seed: number, { size: [width, height], thing, ground, blur, share }: Stand) {
  const between = betweenOf(seed);
  const [left, top] = [width, height].map((side) => Math.floor(between(0, side * 0.25)));
  const part = await sharp(ground).extract({ left: left!, top: top!, width, height }).png().toBuffer();
  const turned = await sharp(thing).rotate(between(-8, 8), { background: '#00000000' }).toBuffer();
  return joined(path, between, {
    width,
    height,
    behind: blur > 0 ? await sharp(part).blur(blur).png().toBuffer() : part,
    thing: await trimmed(turned),
    long: Math.round(share * between(0.9, 1.12) * Math.min(width, height)),
    brightness: [0.92, 1.06],
    wander: 0.5,
  });
}

/** Made once, then kept. */
export async function allSeries(): Promise<OfSeries[]> {
  const folder = join(FOLDER, 'series');
  const list = join(folder, 'known.json');
  if (existsSync(list)) return JSON.parse(readFileSync(list, 'utf8')) as OfSeries[];
  fetched();
  mkdirSync(folder, { recursive: true });
  const made: OfSeries[] = [];
  let series = 0;
  for (const [part, count] of Object.entries(SERIES) as [keyof typeof SERIES, number][]) {
    const { things, plain, others } = ownOf(part);
    for (let k = 0; k < count; k++, series++) {
      const soft = k % 4 === 3;
      const ground = soft ? others[Math.floor(k / 4) % others.length]! : plain[(k * 7 + Math.floor(k / plain.length)) % plain.length]!; // prettier-ignore
      const stand = await standOf(series, things[(k * 5 + 1) % things.length]!, ground, soft);
      for (let i = 0; i < PHOTOS; i++) {
        const path = join(folder, `${part}-${String(k).padStart(2, '0')}-${i}.jpg`);
        made.push({ ...(await photoOf(path, 7700 + 31 * i + 1009 * series, stand)), part, series });
      }
    }
  }
  writeFileSync(list, JSON.stringify(made));
  return made;
}
