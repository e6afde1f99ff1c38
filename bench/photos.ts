/** The bench's photos: demo photos brought to 12 megapixels, as a camera writes them. */
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '../demo/generator/random';

const SOURCE = 'demo/photos/products';
const FOLDER = 'scratch/bench-photos-with-grain';

/**
 * Standard deviation of a sensor's grain, of 255. With it files come to 0.24 bytes a pixel: of the twelve photographs
 * with 4:2:0 chroma, a camera's Exif and no progression among bench/composites.ts's grounds and their like it is 0.22
 * at the median, and decoding a pixel takes them as long. Without any it would be 0.06.
 */
const GRAIN = 6;
const TILE = 1000;

/** Noise about the middle grey, whose sum of four even shares is nearly a Gaussian. */
function grain(): Buffer {
  const random = seeded(1);
  const share = () => (random() + random() + random() + random() - 2) * Math.sqrt(3);
  return Buffer.from(Uint8Array.from({ length: TILE * TILE * 3 }, () => Math.round(128 + GRAIN * share())));
}

/** `count` JPEG files of 4000 × 3000 pixels; made once, then kept. */
export async function benchPhotos(count: number): Promise<string[]> {
  mkdirSync(FOLDER, { recursive: true });
  const sources = readdirSync(SOURCE).filter(
    (name) => /\.(jpg|png|webp)$/.test(name) && !/price|empty|cut-short/.test(name),
  );
  const paths = Array.from({ length: count }, (_, i) => join(FOLDER, `photo-${String(i).padStart(3, '0')}.jpg`));
  const missing = [...paths.entries()].filter(([, path]) => !existsSync(path));
  if (missing.length === 0) return paths;
  // A large photo from a small one has neither detail nor grain: the decoder would have two thirds of its usual work.
  const noise = { input: grain(), raw: { width: TILE, height: TILE, channels: 3 as const }, tile: true, blend: 'hard-light' as const }; // prettier-ignore
  for (const [i, path] of missing) {
    const large = await sharp(join(SOURCE, sources[i % sources.length]!))
      .autoOrient()
      .resize(4000, 3000)
      .sharpen({ sigma: 2 })
      .removeAlpha()
      .raw()
      .toBuffer();
    await sharp(large, { raw: { width: 4000, height: 3000, channels: 3 } })
      .composite([noise])
      .jpeg({ quality: 92 })
      .toFile(path);
  }
  return paths;
}
