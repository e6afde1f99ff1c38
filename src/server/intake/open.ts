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
export function openPhoto(path: string, space: ColourSpace = 'srgb'): Sharp {
  const photo = sharp(path, OPEN_OPTIONS).autoOrient().flatten({ background: '#ffffff' }).toColourspace('srgb');
  // Worked on in 16 bits, sharp goes by Display P3 instead of sRGB.
  return space === 'srgb' ? photo : photo.pipelineColourspace('rgb16').withIccProfile('p3');
}
