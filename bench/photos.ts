/** The bench's photos: demo photos brought to 12 megapixels, as a camera writes them. */
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';

const SOURCE = 'demo/photos/products';
const FOLDER = 'scratch/bench-photos';

/** `count` JPEG files of 4000 × 3000 pixels; made once, then kept. */
export async function benchPhotos(count: number): Promise<string[]> {
  mkdirSync(FOLDER, { recursive: true });
  const sources = readdirSync(SOURCE).filter(
    (name) => /\.(jpg|png|webp)$/.test(name) && !/price|empty|cut-short/.test(name),
  );
  const paths = Array.from({ length: count }, (_, i) => join(FOLDER, `photo-${String(i).padStart(3, '0')}.jpg`));
  for (const [i, path] of paths.entries()) {
    if (existsSync(path)) continue;
    await sharp(join(SOURCE, sources[i % sources.length]!))
      .autoOrient()
      .resize(4000, 3000)
      // A large photo from a small one has no detail; some sharpening gives the decoder its usual work.
      .sharpen({ sigma: 2 })
      .jpeg({ quality: 92 })
      .toFile(path);
  }
  return paths;
}
