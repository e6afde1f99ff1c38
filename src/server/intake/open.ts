/** Photos as they are worked with: upright, in sRGB, opaque, eight bits. */
import sharp, { type Sharp, type SharpOptions } from 'sharp';
import { MAX_PIXELS } from '../../core/template';

// Only raster photos are ever opened: everything else libvips could read is shut off.
sharp.block({
  operation: ['VipsForeignLoadSvg', 'VipsForeignLoadPdf', 'VipsForeignLoadMagick', 'VipsForeignLoadOpenslide'],
});

/** How photos are always opened: first frame only, a guard against bombs, and broken data is an error. */
export const OPEN_OPTIONS: SharpOptions = { limitInputPixels: MAX_PIXELS, failOn: 'truncated', pages: 1 };

/** What a photo's numbers are to mean. */
export type ColourSpace = 'srgb' | 'display-p3';

/**
 * Opens a photo. Its orientation is applied first; sharp turns colours into the space by the
 * embedded profile (CMYK without one by a standard profile) and leaves no metadata behind.
 * What the photo leaves transparent is laid on white.
 */
export function openPhoto(path: string): Sharp {
  return sharp(path, OPEN_OPTIONS).autoOrient().flatten({ background: '#ffffff' }).toColourspace('srgb');
}

/** How opaque a photo is, in one channel. */
export const openAlpha = (path: string): Sharp =>
  sharp(path, OPEN_OPTIONS).autoOrient().ensureAlpha().extractChannel('alpha').toColourspace('b-w');

/** Cells a side that alpha is averaged in: of up to 60 pixels in 12 megapixels, where a single one still shows. */
const CELLS = 512;
/** What is opaque in 16 bits comes out a step short. */
const OPAQUE = 254;

/** Whether all of a photo with alpha is opaque, but for single pixels of very large ones. */
export async function isOpaque(path: string): Promise<boolean> {
  const alpha = await openAlpha(path).resize(CELLS, CELLS, { fit: 'inside', withoutEnlargement: true }).raw().toBuffer(); // prettier-ignore
  return alpha.every((value) => value >= OPAQUE);
}

/** Opens a photo in another space: Display P3 keeps colours that sRGB has not. */
export async function openPhotoIn(path: string, space: ColourSpace): Promise<Sharp> {
  const photo = openPhoto(path);
  if (space === 'srgb') return photo;
  const { icc, space: own } = await sharp(path, OPEN_OPTIONS).metadata();
  const wide = photo.withIccProfile('p3');
  // By a profile sharp turns colours into sRGB first, but into P3 where it works in 16 bits; without one it takes them
  // for what it works in. Inks stay within sRGB, whose blacks are deeper than those that they get on the straight way.
  return icc && own !== 'cmyk' ? wide.pipelineColourspace('rgb16') : wide;
}
