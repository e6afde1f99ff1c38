/** What is written into photos by sharp (libexif and libvips), read back. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { xmpOf } from '../../core/metadata';
import { ownTask } from './own';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-own-'));
afterAll(() => rmSync(folder, { recursive: true }));

const XMP = xmpOf({ title: 'Bowl', alt: 'A blue bowl', creator: 'Ö. Maker', copyright: '© 2026' })!;
const EXIF = {
  IFD0: { Make: 'Kiln', Model: 'K1', Artist: 'Ann', Copyright: 'Ann, 2025' },
  IFD2: { DateTimeOriginal: '2025:03:04 05:06:07' },
  IFD3: { GPSLatitudeRef: 'S', GPSLatitude: '48/1 12/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '16/1 30/1 0/1' },
};

async function written(format: 'jpeg' | 'png' | 'webp' | 'avif', { xmp = true, exif = true }): Promise<string> {
  let image = sharp({ create: { width: 24, height: 18, channels: 3, background: '#246' } });
  if (exif) image = image.withExif(EXIF);
  if (xmp) image = image.withXmp(XMP);
  const path = join(folder, `${format}-${xmp}-${exif}`);
  await image.toFormat(format).toFile(path);
  return path;
}

test.each(['jpeg', 'webp', 'avif'] as const)(
  '%s: XMP comes before EXIF, and what only the one says is there, too',
  async (format) => {
    const [both, exif] = await ownTask({ paths: [await written(format, {}), await written(format, { xmp: false })] });
    const camera = { Taken: '2025-03-04 05:06:07', Camera: 'K1', Place: '-48.20000, 16.50000' };
    expect(both).toEqual({
      Title: 'Bowl',
      'Alt text': 'A blue bowl',
      Creator: 'Ö. Maker',
      Copyright: '© 2026',
      ...camera,
    });
    expect(exif).toEqual({ Creator: 'Ann', Copyright: 'Ann, 2025', ...camera });
  },
);

test('a file that says nothing, is no photo, or is not there has no fields, and the others have theirs', async () => {
  const none = await written('png', { xmp: false, exif: false });
  const odd = join(folder, 'odd.jpg');
  writeFileSync(
    odd,
    Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff]), Buffer.from('Exif\0\0MM\0*\xff\xff\xff\xff')]),
  );
  const paths = [none, odd, join(folder, 'nowhere'), await written('png', { xmp: false })];
  const [a, b, c, last] = await ownTask({ paths });
  expect([a, b, c]).toEqual([{}, {}, {}]);
  expect(last).toMatchObject({ Creator: 'Ann' });
});
