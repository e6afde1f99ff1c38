/** Finished pixels into files. */
import sharp, { type Sharp } from 'sharp';
import { oneBitAlpha } from '../../core/export';
import { parseColour } from '../../core/paint';
import { holdsMetadata } from '../../core/metadata';
import { withXmpChunk } from './png-xmp';
import { isDisplayP3, type KeptPart, type Output } from '../../core/template';
import { lookOf } from './look';

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

type Effort = Output['effort'];

/** What a choice of effort means to each encoder; balanced is what they do by themselves, but for AVIF, which takes seconds then. */
const EFFORTS = {
  png: { quick: 3, balanced: 6, smallest: 9 },
  webp: { quick: 1, balanced: 4, smallest: 6 },
  avif: { quick: 0, balanced: 2, smallest: 4 },
  gif: { quick: 3, balanced: 7, smallest: 10 },
} as const satisfies Readonly<Record<string, Readonly<Record<Effort, number>>>>;

/** Most colours of a GIF. */
const GIF_COLOURS = 256;

const rgbOf = (colour: string): readonly [number, number, number] => {
  const { r, g, b } = parseColour(colour);
  return [r, g, b].map((v) => Math.round(v * 255)) as [number, number, number];
};

/** The part that is kept, with room round the picture where it reaches beyond. */
function kept(image: Sharp, { width, height }: Picture, output: Output, { left, top, ...part }: KeptPart): Sharp {
  const [right, bottom] = [left + part.width, top + part.height];
  const inner = { left: Math.max(0, left), top: Math.max(0, top) };
  const cut = image.extract({
    ...inner,
    width: Math.min(width, right) - inner.left,
    height: Math.min(height, bottom) - inner.top,
  });
  const beyond = { left: inner.left - left, top: inner.top - top, right: Math.max(0, right - width), bottom: Math.max(0, bottom - height) }; // prettier-ignore
  if (Object.values(beyond).every((v) => v === 0)) return cut;
  const { matte } = lookOf(output);
  return cut.extend({ ...beyond, background: matte ?? { r: 0, g: 0, b: 0, alpha: 0 } });
}

/** The file says what its numbers mean, where that is wanted, and its resolution. */
function withProfile(image: Sharp, output: Output, ppi: number): Sharp {
  // The numbers are those of Display P3 already: worked on in 16 bits, sharp takes them so, and leaves them alone.
  if (isDisplayP3(output)) return image.pipelineColourspace('rgb16').toColourspace('srgb').withDensity(ppi).withIccProfile('p3'); // prettier-ignore
  return output.profile === 'none' ? image.withDensity(ppi) : image.withMetadata({ density: ppi });
}

/** A TIFF's resolution, pixels per millimetre: as sparse or dense as its encoder writes it (a few pixels over metres). */
const perMillimetre = (ppi: number) => Math.min(1_000_000, Math.max(0.001, ppi / 25.4));

/** The picture in its output's format. */
function inFormat(
  image: Sharp,
  { format, quality, lossless, colours, progressive, effort }: Output,
  ppi: number,
): Sharp {
  switch (format) {
    // Its layers are.
    case 'ora':
    case 'png':
      return image.png({
        compressionLevel: EFFORTS.png[effort],
        ...(colours !== null && { palette: true, colours, dither: 1, effort: effort === 'smallest' ? 10 : 7 }),
      });
    case 'webp':
      return image.webp({ quality, alphaQuality: 100, lossless, effort: EFFORTS.webp[effort] });
    case 'jpeg':
      return image.removeAlpha().jpeg({
        quality,
        progressive,
        mozjpeg: effort === 'smallest',
        chromaSubsampling: quality >= 90 ? '4:4:4' : '4:2:0',
      });
    case 'avif':
      return image.avif({ quality, lossless, effort: EFFORTS.avif[effort], chromaSubsampling: '4:4:4' });
    case 'gif':
      return image.gif({ colours: colours ?? GIF_COLOURS, dither: 1, effort: EFFORTS.gif[effort] });
    case 'tiff':
      return image.tiff({
        compression: effort === 'quick' ? 'lzw' : 'deflate',
        predictor: 'horizontal',
        xres: perMillimetre(ppi),
        yres: perMillimetre(ppi),
      });
  }
}

/** Pixels above which filtering would take half a minute and more. */
const MOST_FILTERED = 24_000_000;

/** Encoded; of a PNG that is to be as small as can be, the smaller of two: by the differences of neighbours (PNG's filters), which photos gain by, and by the bytes themselves. */
async function smallerOf(image: Sharp, output: Output, ppi: number) {
  const isAsked = output.format === 'png' && output.effort === 'smallest' && output.colours === null;
  // A clone copies all pixels: only where the picture is wanted once more.
  const made = await inFormat(isAsked ? image.clone() : image, output, ppi).toBuffer({ resolveWithObject: true });
  const { width, height } = made.info;
  if (!isAsked || width * height > MOST_FILTERED) return made;
  const level = EFFORTS.png.smallest;
  const filtered = await image.png({ compressionLevel: level, adaptiveFiltering: true }).toBuffer({ resolveWithObject: true }); // prettier-ignore
  return filtered.data.length < made.data.length ? filtered : made;
}

/**
 * Encodes straight RGBA. With `part`, only that, and what lies beyond the picture empty. The file carries no
 * metadata but its resolution, the profile of its colours where that is wanted, and what it is given to say.
 */
export async function encode(picture: Picture, output: Output, part: KeptPart | null): Promise<Encoded> {
  const { width, height, ppi, xmp } = picture;
  const pixels = output.format === 'gif' ? oneBitAlpha(picture.pixels, output.matte === null ? null : rgbOf(output.matte)) : picture.pixels; // prettier-ignore
  let image = sharp(pixels, { raw: { width, height, channels: 4 } });
  if (part) image = kept(image, picture, output, part);
  image = withProfile(image, output, ppi);
  const packet = xmp && holdsMetadata(output) ? xmp : null;
  const isPng = output.format === 'png';
  if (packet && !isPng) image = image.withXmp(packet);
  const { data, info } = await smallerOf(image, output, ppi);
  return { data: packet && isPng ? withXmpChunk(data, packet) : data, width: info.width, height: info.height };
}
