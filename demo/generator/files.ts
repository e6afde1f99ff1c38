/** Writes a developed picture the way real folders hold it: stored orientations, profiles, depths, grain. */
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { noise, seeded } from './random';
import type { Orientation, Shot } from './scenes';

type Raw = { readonly data: Buffer; readonly width: number; readonly height: number };

/**
 * The pixels as a camera stores them so that a reader who applies EXIF `orientation`
 * sees them upright (Exif 2.32, tag 0x0112).
 */
export function stored(upright: Raw, orientation: Orientation): Raw {
  const { width: w, height: h } = upright;
  const swap = orientation >= 5;
  const [width, height] = swap ? [h, w] : [w, h];
  const data = Buffer.alloc(upright.data.length);
  const from: Record<Orientation, (x: number, y: number) => readonly [number, number]> = {
    1: (x, y) => [x, y],
    2: (x, y) => [w - 1 - x, y],
    3: (x, y) => [w - 1 - x, h - 1 - y],
    4: (x, y) => [x, h - 1 - y],
    5: (x, y) => [y, x],
    6: (x, y) => [w - 1 - y, x],
    7: (x, y) => [w - 1 - y, h - 1 - x],
    8: (x, y) => [y, h - 1 - x],
  };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [sx, sy] = from[orientation](x, y);
      upright.data.copy(data, (y * width + x) * 3, (sy * w + sx) * 3, (sy * w + sx) * 3 + 3);
    }
  return { data, width, height };
}

/** Sensor noise: luminance grain about two pixels wide, a little stronger in the shadows. */
function grain(raw: Raw, seed: number, strength: number): void {
  const random = seeded(seed);
  const { data, width, height } = raw;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = (y * width + x) * 3;
      const light = data[k + 1]! / 255;
      const speck = noise(x * 0.6, y * 0.6, seed % 97) - 0.5 + (random() - 0.5) * 0.6;
      const step = strength * (1.25 - light) * 5 * speck;
      for (let c = 0; c < 3; c++) data[k + c] = Math.max(0, Math.min(255, Math.round(data[k + c]! + step)));
    }
}

function encoder(shot: Shot, raw: Raw) {
  const image = sharp(raw.data, { raw: { width: raw.width, height: raw.height, channels: 3 } });
  const quality = shot.width * shot.height > 8e6 ? 78 : 84;
  switch (shot.kind) {
    case 'jpeg':
      return image.jpeg({ quality, mozjpeg: true });
    case 'jpeg-cmyk':
      return image.toColourspace('cmyk').withIccProfile('cmyk').jpeg({ quality: 88 });
    case 'jpeg-p3':
      return image.withIccProfile('p3').jpeg({ quality });
    case 'jpeg-grey':
      return image.greyscale().jpeg({ quality });
    case 'png16':
      return image.toColourspace('rgb16').png({ compressionLevel: 9 });
    case 'webp':
      return image.webp({ quality: 86 });
    case 'avif':
      return image.avif({ quality: 62 });
    case 'tiff':
      return image.tiff({ compression: 'deflate', predictor: 'horizontal' });
    case 'gif':
      return image.gif();
  }
}

/** Scales, grains, turns, tags and writes one picture below `folder`. */
export async function writeShot(folder: string, shot: Shot, developed: Raw): Promise<void> {
  const path = join(folder, shot.file);
  await mkdir(dirname(path), { recursive: true });
  const { data, info } = await sharp(developed.data, {
    raw: { width: developed.width, height: developed.height, channels: 3 },
  })
    .blur(0.5)
    .resize(shot.width, shot.height, { fit: 'fill', kernel: 'lanczos3' })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const upright: Raw = { data, width: info.width, height: info.height };
  grain(upright, shot.seed, shot.width * shot.height > 8e6 ? 1 : 1.3);
  let image = encoder(shot, stored(upright, shot.orientation));
  const camera = { IFD0: { Make: 'Brackwick', Model: 'Demo camera' } };
  if (shot.gps)
    image = image.withExifMerge({
      ...camera,
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitudeRef: 'W', GPSLongitude: '0/1 7/1 0/1' },
    });
  if (shot.orientation !== 1) image = image.withMetadata({ orientation: shot.orientation });
  await image.toFile(path);
}

/** The files that go wrong in every real folder. */
export async function writeAwkward(folder: string, good: string, twin: string): Promise<void> {
  const whole = await readFile(join(folder, good));
  await writeFile(join(folder, 'products/kiln-load-cut-short.jpg'), whole.subarray(0, Math.floor(whole.length * 0.4)));
  await writeFile(
    join(folder, 'products/price-list.jpg'),
    'Brackwick Pottery Guild\nmug 18.00\nbowl 24.00\nvase 42.00\n',
  );
  await writeFile(join(folder, 'products/empty.jpg'), '');
  await writeFile(join(folder, `products/copy-of-${twin.split('/').pop()!}`), await readFile(join(folder, twin)));
}
