/** A page as one picture: for looking at and passing round. */
import sharp, { type OverlayOptions } from 'sharp';
import type { Page } from '../../core/pages';
import { coverage } from '../../core/raster';
import { flatten } from '../../core/shape';
import type { PagePicture } from './pdf';

/** Pixels an inch, and pixels of a whole page at most: larger pages are made less fine. */
const [PER_INCH, MOST_PIXELS] = [150, 8_000_000];
const MM_PER_INCH = 25.4;

/** Colour of letters. */
const INK = { r: 0x1c, g: 0x22, b: 0x24 };

/** The letters of a page, as ink with its coverage as alpha. */
function inkOf({ letters }: Page, scale: number, width: number, height: number): OverlayOptions {
  const polygons = letters.flatMap((letter) => flatten(letter, scale));
  const alpha = coverage(polygons, { left: 0, top: 0, width, height });
  const pixels = Buffer.alloc(width * height * 4);
  for (let i = 0; i < alpha.length; i++) pixels.writeUInt32BE(((INK.r << 24) | (INK.g << 16) | (INK.b << 8) | Math.round(255 * alpha[i]!)) >>> 0, i * 4); // prettier-ignore
  return { input: pixels, raw: { width, height, channels: 4 } };
}

/**
 * Pictures and captions on white; marks are for cutting, and not drawn.
 *
 * @param size of the page, mm
 * @param read gives a file's pixels
 * @returns PNG with its resolution
 */
export async function pagePicture(
  page: Page,
  size: readonly [number, number],
  read: (file: number) => Promise<PagePicture>,
): Promise<Buffer> {
  const finest = PER_INCH / MM_PER_INCH;
  const scale = Math.min(finest, Math.sqrt(MOST_PIXELS / (size[0] * size[1])));
  const [width, height] = size.map((length) => Math.max(1, Math.round(length * scale))) as [number, number];
  const overlays: OverlayOptions[] = [];
  for (const { file, x, y, width: w, height: h } of page.pictures) {
    const { colours, alpha, ...own } = await read(file);
    const image = sharp(colours, { raw: { ...own, channels: 3 } });
    const whole = alpha ? image.joinChannel(Buffer.from(alpha), { raw: { ...own, channels: 1 } }) : image;
    const [left, top] = [Math.round(x * scale), Math.round(y * scale)];
    const fitted = sharp(await whole.png({ compressionLevel: 1 }).toBuffer()).resize(Math.max(1, Math.round((x + w) * scale) - left), Math.max(1, Math.round((y + h) * scale) - top), { fit: 'fill' }); // prettier-ignore
    overlays.push({ input: await fitted.png({ compressionLevel: 1 }).toBuffer(), left, top });
  }
  if (page.letters.length > 0) overlays.push(inkOf(page, scale, width, height));
  return sharp({ create: { width, height, channels: 3, background: '#ffffff' } })
    .composite(overlays)
    .withDensity(scale * MM_PER_INCH)
    .png()
    .toBuffer();
}
