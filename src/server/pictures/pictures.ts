/** Pictures of templates: kept by their content, brought for whichever thread draws them. */
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import { bringPictures, PICTURE_SIDE, type PictureRaster } from '../../core/pictures';
import { picturesOf, WIDE_PICTURE, type Template } from '../../core/template';
import { asBroken, OPEN_OPTIONS } from '../intake';
import type { Here } from '../workspace';

/** Where the files of a template's pictures lie, by their sums. */
export type PicturePaths = Readonly<Record<string, string>>;

/** Where the kept pictures of a template lie. */
export const keptPaths = (here: Pick<Here, 'files'>, template: Template): PicturePaths =>
  Object.fromEntries(picturesOf(template).map(({ sha256 }) => [sha256, here.files.picture(sha256)]));

/**
 * A file as it is kept: upright, in sRGB, with its alpha and without metadata, a PNG no larger than is ever drawn.
 *
 * @throws WobrelError `photo-broken` or `photo-too-large`
 */
export async function keptPicture(path: string): Promise<{ data: Buffer; width: number; height: number }> {
  const { data, info } = await sharp(path, OPEN_OPTIONS)
    .autoOrient()
    .resize(PICTURE_SIDE, PICTURE_SIDE, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .png()
    .toBuffer({ resolveWithObject: true })
    .catch(asBroken);
  return { data, width: info.width, height: info.height };
}

/** Longest side of a picture in lists, px: twice as many as they take on a plain screen. */
const SMALL = 384;

/** A kept picture as lists show it: a WebP of some 10 KB, where the file may have megabytes. */
export const smallPicture = (path: string): Promise<Buffer> =>
  sharp(path, OPEN_OPTIONS)
    .resize(SMALL, SMALL, { fit: 'inside', withoutEnlargement: true })
    .webp()
    .toBuffer()
    .catch(asBroken);

async function read(wanted: string, paths: PicturePaths): Promise<PictureRaster> {
  const isWide = wanted.startsWith(WIDE_PICTURE);
  const path = paths[isWide ? wanted.slice(WIDE_PICTURE.length) : wanted];
  if (!path) throw new WobrelError('picture-missing', 'a picture of the template is missing');
  const kept = sharp(path, OPEN_OPTIONS);
  const { data, info } = await (isWide ? kept.withIccProfile('p3') : kept)
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new WobrelError('picture-missing', 'a picture of the template can’t be read');
    });
  return { data, width: info.width, height: info.height };
}

/** Has the pictures of a template at hand. */
export const bringKept = (template: Template, paths: PicturePaths): Promise<void> =>
  bringPictures(
    picturesOf(template).map(({ sha256 }) => sha256),
    (sha256) => read(sha256, paths),
  );
