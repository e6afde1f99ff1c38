/** Pictures at hand in this thread. They come from files, which core does not read itself. */
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { WobrelError } from '../errors';
import { levelsOf, type Level, type PictureRaster } from './levels';

/** A picture with what is sampled where it is drawn smaller: half of it, a quarter…, premultiplied. */
export type Picture = { readonly width: number; readonly height: number; readonly levels: readonly Level[] };

/** What a kept picture is called: the SHA-256 of its file. */
export const pictureSchema = z.string().regex(/^[0-9a-f]{64}$/, { error: 'expected the SHA-256 of a kept picture' });

/** Longest side of pictures at hand, pixels: what is larger is brought at this size. */
export const PICTURE_SIDE = 4096;

/** Pixels of all pictures at hand; the ones used longest ago go first. */
const PIXELS_KEPT = 80_000_000;

const shelf = new LRUCache<string, Picture>({
  maxSize: PIXELS_KEPT,
  sizeCalculation: ({ width, height }) => width * height,
});
const coming = new Map<string, Promise<void>>();

/**
 * Has these pictures at hand for what is drawn next.
 *
 * @param read gives a picture's pixels, no larger than `PICTURE_SIDE`
 */
export async function bringPictures(
  sums: Iterable<string>,
  read: (sha256: string) => Promise<PictureRaster>,
): Promise<void> {
  await Promise.all(
    [...new Set(sums)].map((sum) => {
      if (shelf.get(sum)) return null;
      const under = coming.get(sum);
      if (under) return under;
      const made = read(sum)
        .then((raster) => {
          const { width, height } = raster;
          shelf.set(sum, { width, height, levels: levelsOf(raster) });
        })
        .finally(() => coming.delete(sum));
      coming.set(sum, made);
      return made;
    }),
  );
}

/**
 * A picture that was brought.
 *
 * @param at the field of the template that wants it
 * @throws WobrelError `picture-missing`
 */
export function pictureAtHand(sha256: string, at: string): Picture {
  const picture = shelf.get(sha256);
  if (!picture) throw new WobrelError('picture-missing', `${at}: the picture is missing`, at);
  return picture;
}
