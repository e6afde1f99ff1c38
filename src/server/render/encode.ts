/** Finished pixels into files. */
import sharp from 'sharp';
import { holdsMetadata } from '../../core/metadata';
import { withXmpChunk } from './png-xmp';
import type { PixelWindow } from '../../core/raster';
import type { Output } from '../../core/template';

export type Encoded = { readonly data: Buffer; readonly width: number; readonly height: number };

export type Picture = {
  /** Straight RGBA. */
  readonly pixels: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
  /** Pixels per inch, noted in the file. */
  readonly ppi: number;
  /** What the file says of itself, as an XMP packet; left out or null for nothing. */
  readonly xmp?: string | null;
};

/**
 * Encodes straight RGBA. With `crop`, only that part. The file carries no metadata but
 * its resolution, that its colours are sRGB, and what it is given to say.
 *
 * @param crop pixels to keep, not empty
 */
export async function encode(
  { pixels, width, height, ppi, xmp }: Picture,
  output: Output,
  crop: PixelWindow | null,
): Promise<Encoded> {
  let image = sharp(pixels, { raw: { width, height, channels: 4 } });
  if (crop && (crop.width < width || crop.height < height)) image = image.extract(crop);
  image = image.withMetadata({ density: ppi });
  const packet = xmp && holdsMetadata(output) ? xmp : null;
  const isPng = output.format === 'png';
  if (packet && !isPng) image = image.withXmp(packet);
  switch (output.format) {
    case 'png':
      image = image.png();
      break;
    case 'webp':
      image = image.webp({ quality: output.quality, alphaQuality: 100 });
      break;
    case 'jpeg':
      image = image
        .removeAlpha()
        .jpeg({ quality: output.quality, chromaSubsampling: output.quality >= 90 ? '4:4:4' : '4:2:0' });
      break;
    case 'avif':
      image = image.avif({ quality: output.quality, chromaSubsampling: '4:4:4' });
      break;
    case 'gif':
      image = image.gif();
      break;
    case 'tiff':
      // Resolution is in pixels per millimetre there.
      image = image.tiff({ compression: 'deflate', xres: ppi / 25.4, yres: ppi / 25.4 });
      break;
  }
  const { data, info } = await image.toBuffer({ resolveWithObject: true });
  return { data: packet && isPng ? withXmpChunk(data, packet) : data, width: info.width, height: info.height };
}
