/** Photos as they are worked with: upright, in sRGB, opaque, eight bits. */
import sharp, { type Sharp } from 'sharp';
import { OPEN_OPTIONS } from './inspect';

// Only raster photos are ever opened: everything else libvips could read is shut off.
sharp.block({
  operation: ['VipsForeignLoadSvg', 'VipsForeignLoadPdf', 'VipsForeignLoadMagick', 'VipsForeignLoadOpenslide'],
});

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

/** The same in another space: Display P3 keeps colours that sRGB has not. */
export async function openPhotoIn(path: string, space: ColourSpace): Promise<Sharp> {
  const photo = openPhoto(path);
  if (space === 'srgb') return photo;
  const { icc, space: own } = await sharp(path, OPEN_OPTIONS).metadata();
  const wide = photo.withIccProfile('p3');
  // By a profile sharp turns colours into sRGB first, but into P3 where it works in 16 bits; without one it takes them
  // for what it works in. Inks stay within sRGB, whose blacks are deeper than those that they get on the straight way.
  return icc && own !== 'cmyk' ? wide.pipelineColourspace('rgb16') : wide;
}
