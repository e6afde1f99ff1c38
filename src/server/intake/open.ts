/** Photos as they are worked with: upright, in sRGB, opaque, eight bits. */
import sharp, { type Sharp } from 'sharp';
import { OPEN_OPTIONS } from './inspect';

// Only raster photos are ever opened: everything else libvips could read is shut off.
sharp.block({
  operation: ['VipsForeignLoadSvg', 'VipsForeignLoadPdf', 'VipsForeignLoadMagick', 'VipsForeignLoadOpenslide'],
});

/**
 * Opens a photo. Its orientation is applied first; sharp turns colours into sRGB by the
 * embedded profile (CMYK without one by a standard profile) and leaves no metadata behind.
 * What the photo leaves transparent is laid on white.
 */
export function openPhoto(path: string): Sharp {
  return sharp(path, OPEN_OPTIONS).autoOrient().flatten({ background: '#ffffff' }).toColourspace('srgb');
}
