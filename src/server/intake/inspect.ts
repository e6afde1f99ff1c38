/** What a photo file is: its type by content, its upright size, its limits. */
import { open, stat } from 'node:fs/promises';
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import { MAX_PIXELS } from '../../core/template';
import { isOpaque, OPEN_OPTIONS } from './open';
import { describeOther, RAW, sniff, sniffHeic, SNIFF_BYTES, type PhotoFormat } from './sniff';
import { tiffIsRaw, tiffIsWhole } from './tiff';

export type PhotoFacts = {
  readonly format: PhotoFormat;
  /** Pixels of the upright photo. */
  readonly width: number;
  readonly height: number;
  /** Whether any of it is less than opaque: many files have a channel for that which says nothing. */
  readonly hasAlpha: boolean;
};

async function headOf(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(SNIFF_BYTES), 0, SNIFF_BYTES, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

const CUT_SHORT = 'The file is broken or cut short.';

/** Fails with an error of the decoder in words for people: its own are for programmers, and hold paths. */
export function asBroken(error: unknown): never {
  const reason = String((error as Error)?.message ?? error);
  if (/exceeds pixel limit/i.test(reason))
    throw new WobrelError('photo-too-large', 'The photo has more than 100 megapixels.');
  const cut = /premature|truncat|end of (file|stream|input)|not enough|corrupt/i.test(reason);
  throw new WobrelError('photo-broken', cut ? CUT_SHORT : 'The file can’t be read as a photo.');
}

/**
 * Pixels that a byte can stand for at most, where a format has such a limit: a run of GIF's
 * LZW at its longest; deflate's 1032 to 1 (RFC 1951) with eight pixels a byte; a bit for each
 * of the six blocks of 16 × 16 pixels in a JPEG.
 */
const PIXELS_A_BYTE: Partial<Record<PhotoFormat, number>> = { gif: 3000, png: 8 * 1032, jpeg: 400 };

/** A header is quickly written; the pixels that it claims have to be there. */
async function refuseHollow(path: string, format: PhotoFormat, width: number, height: number): Promise<void> {
  const { size } = await stat(path);
  const most = (PIXELS_A_BYTE[format] ?? Infinity) * size;
  if (width * height > most)
    throw new WobrelError('photo-broken', `The file is far too small to hold the ${width} × ${height} pixels that it claims.`); // prettier-ignore
  if (format === 'tiff' && !(await tiffIsWhole(path))) throw new WobrelError('photo-broken', CUT_SHORT);
}

const wrongType = (kind: string) => new WobrelError('photo-wrong-type', `The file is not a JPEG, PNG, WebP, AVIF, HEIC, TIFF or GIF; it looks like ${kind}.`); // prettier-ignore

/** Opens only what is a file and stays one: a pipe or a device would be waited for without end. */
async function refuseOther(path: string): Promise<void> {
  const kind = await stat(path).catch((error: NodeJS.ErrnoException) => {
    throw new WobrelError(
      'photo-unreadable',
      error.code === 'EACCES' ? 'The file may not be read.' : 'The file is gone.',
    );
  });
  if (!kind.isFile()) throw new WobrelError('photo-wrong-type', 'It is no file.');
}

/** Whether a file has to be developed before it can be worked with; what can't be opened has not. */
export const isHeic = (path: string): Promise<boolean> =>
  refuseOther(path)
    .then(() => headOf(path))
    .then(sniffHeic, () => false);

/**
 * Looks at a file without decoding its pixels, but for those of one with an alpha channel.
 *
 * @throws WobrelError `photo-unreadable`, `photo-empty`, `photo-wrong-type`, `photo-too-large` or `photo-broken`
 */
export async function inspectPhoto(path: string): Promise<PhotoFacts> {
  await refuseOther(path);
  const head = await headOf(path).catch(() => {
    throw new WobrelError('photo-unreadable', 'The file may not be read.');
  });
  if (head.length === 0) throw new WobrelError('photo-empty', 'The file is empty.');
  const format = sniff(head);
  if (!format) throw wrongType(describeOther(head));
  if (format === 'tiff' && (await tiffIsRaw(path))) throw wrongType(RAW);
  const metadata = await sharp(path, { ...OPEN_OPTIONS, limitInputPixels: false })
    .metadata()
    .catch(asBroken);
  const { width, height } = metadata.autoOrient;
  if (width * height > MAX_PIXELS) {
    const megapixels = Math.round((width * height) / 1e6);
    throw new WobrelError('photo-too-large', `The photo has ${megapixels} megapixels; up to 100 are taken.`);
  }
  await refuseHollow(path, format, width, height);
  const hasAlpha = (metadata.hasAlpha ?? false) && !(await isOpaque(path).catch(asBroken));
  return { format, width, height, hasAlpha };
}
