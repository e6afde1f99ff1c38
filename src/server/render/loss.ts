/** What a file's format lost of the picture. */
import sharp from 'sharp';
import { ssim } from 'ssim.js';

export type Loss = {
  /** Structural similarity (Wang et al. 2004, by ssim.js) on a middle grey: 1 is the same. */
  readonly ssim: number;
  /** Largest difference of a channel, of 255. */
  readonly largest: number;
  /** The difference, eight times as strong on black, as WebP. */
  readonly picture: Uint8Array<ArrayBuffer>;
};

export type LossTask = { readonly file: string; readonly exact: string };

/** Pixels of each side that are looked at: of larger pictures the middle. */
const SIDE = 2048;

/** How much stronger differences are shown. */
const STRONGER = 8;

const GREY = { r: 128, g: 128, b: 128 };

/** Side of the window that structures are compared in (Wang et al. 2004). */
const WINDOW = 11;

type Pixels = { readonly data: Uint8ClampedArray<ArrayBuffer>; readonly width: number; readonly height: number };

/** The picture's middle on a middle grey, RGBA. */
async function pixelsOf(path: string): Promise<Pixels> {
  const { width, height } = await sharp(path).metadata();
  const [w, h] = [Math.min(width, SIDE), Math.min(height, SIDE)];
  const middle = { left: (width - w) >> 1, top: (height - h) >> 1, width: w, height: h };
  const data = await sharp(path).extract(middle).flatten({ background: GREY }).toColourspace('srgb').ensureAlpha().raw().toBuffer(); // prettier-ignore
  return { data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length), width: w, height: h };
}

/** Pictures narrower than the window go on as they end, so that it fits. */
async function asLargeAsWindow({ data, width, height }: Pixels): Promise<Pixels> {
  const [right, bottom] = [Math.max(0, WINDOW - width), Math.max(0, WINDOW - height)];
  if (right === 0 && bottom === 0) return { data, width, height };
  const extended = await sharp(data, { raw: { width, height, channels: 4 } }).extend({ right, bottom, extendWith: 'copy' }).raw().toBuffer(); // prettier-ignore
  return { data: new Uint8ClampedArray(extended), width: width + right, height: height + bottom };
}

/** @param task two files of the same size: as the format made it, and without loss */
export async function lossTask({ file, exact }: LossTask): Promise<Loss> {
  const [made, wanted] = [await pixelsOf(file), await pixelsOf(exact)];
  const { width, height } = made;
  const shown = Buffer.alloc(width * height * 3);
  let largest = 0;
  for (let i = 0, k = 0; i < made.data.length; i += 4)
    for (let channel = 0; channel < 3; channel++, k++) {
      const difference = Math.abs(made.data[i + channel]! - wanted.data[i + channel]!);
      if (difference > largest) largest = difference;
      shown[k] = Math.min(255, difference * STRONGER);
    }
  const { mssim } = ssim(await asLargeAsWindow(made), await asLargeAsWindow(wanted), { ssim: 'fast' });
  const picture = await sharp(shown, { raw: { width, height, channels: 3 } }).webp({ lossless: true, effort: 1 }).toBuffer(); // prettier-ignore
  return { ssim: mssim, largest, picture: new Uint8Array(picture) };
}
