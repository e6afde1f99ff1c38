/** Pictures at hand in this thread. They come from files, which core does not read itself. */
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

const shelf = new Map<string, Picture>();
const coming = new Map<string, Promise<void>>();

function keep(sha256: string, raster: PictureRaster): void {
  shelf.set(sha256, { width: raster.width, height: raster.height, levels: levelsOf(raster) });
  let pixels = [...shelf.values()].reduce((sum, { width, height }) => sum + width * height, 0);
  for (const [key, { width, height }] of shelf) {
    if (pixels <= PIXELS_KEPT || shelf.size === 1) return;
    shelf.delete(key);
    pixels -= width * height;
  }
}

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
      const known = shelf.get(sum);
      if (known) {
        // Moves it to the end: maps keep their order of insertion.
        shelf.delete(sum);
        shelf.set(sum, known);
        return null;
      }
      const under = coming.get(sum);
      if (under) return under;
      const made = read(sum)
        .then((raster) => keep(sum, raster))
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
