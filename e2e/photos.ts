/** Photos for the browser tests: demo photos, and some made here whose pixels are known. */
import sharp from 'sharp';
import { seededBytes, smoothPhoto } from '../src/core/testing/photos';

export type Upload = { readonly name: string; readonly mimeType: string; readonly buffer: Buffer };

/** A photo of one colour. */
export async function flatPhoto(name: string, colour: string, width = 900, height = 700): Promise<Upload> {
  const image = sharp({ create: { width, height, channels: 3, background: colour } });
  return { name, mimeType: 'image/png', buffer: await image.png().toBuffer() };
}

/** A photo of soft gradients, in greys or in colours: resampling by different programs gives the same pixels. */
export async function gradientPhoto(
  name: string,
  colours: 'grey' | 'many',
  width = 2400,
  height = 1800,
): Promise<Upload> {
  const image = sharp(smoothPhoto(width, height), { raw: { width, height, channels: 4 } }).removeAlpha();
  const toned = colours === 'grey' ? image.greyscale().toColourspace('srgb') : image;
  return { name, mimeType: 'image/png', buffer: await toned.png().toBuffer() };
}

/** A photo of noise, which no encoder makes small. */
export async function noisePhoto(name: string, width: number, height: number): Promise<Upload> {
  const image = sharp(seededBytes(width * height * 3, 5), { raw: { width, height, channels: 3 } });
  return { name, mimeType: 'image/jpeg', buffer: await image.jpeg({ quality: 50 }).toBuffer() };
}

type Disc = {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** Red, green and blue; else a red that is as dark as the ground asks for. */
  readonly colour?: readonly number[];
};

/** Discs on a plain ground: subjects whose place is known. */
export async function discPhoto(
  name: string,
  discs: readonly Disc[],
  { width = 1200, height = 900, ground = 200, blur = 0 } = {},
): Promise<Upload> {
  const data = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const disc = discs.find((d) => Math.hypot(x + 0.5 - d.x, y + 0.5 - d.y) < d.r);
      const red = [Math.round(ground * 0.7), 40, 50];
      data.set(disc ? (disc.colour ?? red) : [ground, ground, ground], (y * width + x) * 3);
    }
  const image = sharp(data, { raw: { width, height, channels: 3 } });
  return { name, mimeType: 'image/png', buffer: await (blur ? image.blur(blur) : image).png().toBuffer() };
}

/** Photos of as many colours. */
export const rainbow = (count: number, width = 1300, height = 1200) =>
  Promise.all(
    Array.from({ length: count }, (_, i) =>
      flatPhoto(`pot-${String(i).padStart(3, '0')}.png`, `hsl(${(i * 37) % 360}, 60%, 50%)`, width, height + i),
    ),
  );
