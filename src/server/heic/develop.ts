/** HEIC photos, which the decoder of all others does not read: made once into a file that it reads. */
import { readFile, writeFile } from 'node:fs/promises';
import sharp, { type Sharp } from 'sharp';
import { asBroken } from '../intake';
import { asWriteError } from '../store';
import { heifPicture, type HeifPicture } from './libheif';
import { tiffOf, uprightExif } from './tiff-of';

/** A step or two of 255 from what was decoded; without subsampling, as colours are sampled anew. */
const JPEG = { quality: 98, chromaSubsampling: '4:4:4' } as const;

/** The profile that the encoder itself writes for Display P3. */
async function displayP3(): Promise<Buffer> {
  const one = sharp({ create: { width: 1, height: 1, channels: 3, background: '#ffffff' } });
  const { icc } = await sharp(await one.withIccProfile('p3').png().toBuffer()).metadata();
  return icc!;
}

/** Longest segment of a JPEG, and what an EXIF block begins with in one (CIPA DC-008, EXIF 3.0 §4.7.2). */
const LONGEST = 0xffff - 2;
const EXIF = Buffer.from('Exif\0\0', 'latin1');

/** A JPEG with an EXIF block right after its first marker; without where that is broken, or longer than a segment. */
function withExif(jpeg: Buffer, exif: Buffer): Buffer {
  if (exif.length + EXIF.length > LONGEST) return jpeg;
  const marker = Buffer.from([0xff, 0xe1, 0, 0]);
  marker.writeUInt16BE(2 + EXIF.length + exif.length, 2);
  try {
    return Buffer.concat([jpeg.subarray(0, 2), marker, EXIF, uprightExif(exif), jpeg.subarray(2)]);
  } catch {
    // Nothing that is wrong with what a file says of itself is worth a refusal.
    return jpeg;
  }
}

const encoded = (picture: Sharp, { channels, exif }: HeifPicture): Promise<Buffer> =>
  // What is partly transparent may be what a photo is of: that is kept, and what the file says of itself is not.
  channels === 4
    ? picture.png({ compressionLevel: 1 }).toBuffer()
    : picture.jpeg(JPEG).toBuffer().then((jpeg) => (exif ? withExif(jpeg, exif) : jpeg)); // prettier-ignore

/**
 * Writes the main picture of a HEIC photo as a JPEG, or as a PNG where it has alpha, with its colour
 * profile and what it says of itself.
 *
 * @throws WobrelError `photo-broken`, `photo-too-large`, `photo-too-much` or `cannot-write`
 */
export async function developHeic(path: string, to: string): Promise<void> {
  const picture = await heifPicture(await readFile(path));
  const icc = picture.colours === 'display-p3' ? await displayP3() : picture.colours;
  const tiff = sharp(tiffOf(picture, { icc, xmp: picture.xmp }), { limitInputPixels: false });
  const made = await encoded(tiff.keepIccProfile().keepXmp(), picture).catch(asBroken);
  await writeFile(to, made, { flag: 'wx' }).catch((error: unknown) => {
    throw asWriteError(error, to);
  });
}
