/** What a photo file is: its type by content, its upright size, its limits. */
import { open } from 'node:fs/promises';
import sharp, { type SharpOptions } from 'sharp';
import { WobrelError } from '../../core/errors';
import { MAX_PIXELS } from '../../core/template';
import { describeOther, sniff, SNIFF_BYTES, type PhotoFormat } from './sniff';

export type PhotoFacts = {
  readonly format: PhotoFormat;
  /** Pixels of the upright photo. */
  readonly width: number;
  readonly height: number;
  readonly hasAlpha: boolean;
};

/** How photos are always opened: first frame only, a guard against bombs, and broken data is an error. */
export const OPEN_OPTIONS: SharpOptions = { limitInputPixels: MAX_PIXELS, failOn: 'truncated', pages: 1 };

async function headOf(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(SNIFF_BYTES), 0, SNIFF_BYTES, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

/** An error of the decoder in words for people. */
export function brokenPhoto(error: unknown): WobrelError {
  const reason = String((error as Error)?.message ?? error).split('\n')[0]!;
  if (/exceeds pixel limit/i.test(reason))
    return new WobrelError('photo-too-large', 'The photo has more than 100 megapixels.');
  const cut = /premature|truncat|end of (file|stream|input)|not enough|corrupt/i.test(reason);
  return new WobrelError(
    'photo-broken',
    cut ? 'The file is broken or cut short.' : `The file can’t be read as a photo (${reason}).`,
  );
}

/**
 * Looks at a file without decoding its pixels.
 *
 * @throws WobrelError `photo-empty`, `photo-wrong-type`, `photo-too-large` or `photo-broken`
 */
export async function inspectPhoto(path: string): Promise<PhotoFacts> {
  const head = await headOf(path);
  if (head.length === 0) throw new WobrelError('photo-empty', 'The file is empty.');
  const format = sniff(head);
  if (!format)
    throw new WobrelError(
      'photo-wrong-type',
      `The file is not a JPEG, PNG, WebP, AVIF, TIFF or GIF; it looks like ${describeOther(head)}.`,
    );
  const metadata = await sharp(path, { ...OPEN_OPTIONS, limitInputPixels: false })
    .metadata()
    .catch((error: unknown) => {
      throw brokenPhoto(error);
    });
  const { width, height } = metadata.autoOrient;
  if (width * height > MAX_PIXELS) {
    const megapixels = Math.round((width * height) / 1e6);
    throw new WobrelError('photo-too-large', `The photo has ${megapixels} megapixels; up to 100 are taken.`);
  }
  return { format, width, height, hasAlpha: metadata.hasAlpha ?? false };
}
