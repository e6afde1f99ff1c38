import { converter } from 'culori';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crc32 } from 'node:zlib';
import { eIntent, Profile, Transform } from 'jscolorengine';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import { inspectPhoto, makeProxies, openPhoto } from '.';
import { sniff } from './sniff';
import { filesIn } from '../store';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-intake-'));
afterAll(() => rmSync(folder, { recursive: true }));
const file = (name: string) => join(folder, name);

const DEMO = 'demo/photos/products';

/** 40 × 30, upright: red left top, green right top, blue left bottom, white right bottom. */
function quarters(): Buffer {
  const data = Buffer.alloc(40 * 30 * 3);
  for (let y = 0; y < 30; y++)
    for (let x = 0; x < 40; x++) {
      const colour = y < 15 ? (x < 20 ? [255, 0, 0] : [0, 255, 0]) : x < 20 ? [0, 0, 255] : [255, 255, 255];
      data.set(colour, (y * 40 + x) * 3);
    }
  return data;
}

/**
 * How a camera that writes the orientation stores an upright picture, by the words of the
 * Exif standard (tag 0x0112): where row 0 and column 0 of the stored picture lie.
 */
const STORED: Record<number, (x: number, y: number) => [number, number]> = {
  1: (x, y) => [x, y], // row 0 top, column 0 left
  2: (x, y) => [39 - x, y], // top, right
  3: (x, y) => [39 - x, 29 - y], // bottom, right
  4: (x, y) => [x, 29 - y], // bottom, left
  5: (x, y) => [y, x], // left, top
  6: (x, y) => [39 - y, x], // right, top
  7: (x, y) => [39 - y, 29 - x], // right, bottom
  8: (x, y) => [y, 29 - x], // left, bottom
};

async function orientedFile(orientation: number): Promise<string> {
  const [w, h] = orientation >= 5 ? [30, 40] : [40, 30];
  const upright = quarters();
  const data = Buffer.alloc(upright.length);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [ux, uy] = STORED[orientation]!(x, y);
      upright.copy(data, (y * w + x) * 3, (uy * 40 + ux) * 3, (uy * 40 + ux) * 3 + 3);
    }
  const path = file(`orientation-${orientation}.jpg`);
  await sharp(data, { raw: { width: w, height: h, channels: 3 } })
    .withMetadata({ orientation })
    .jpeg({ quality: 100, chromaSubsampling: '4:4:4' })
    .toFile(path);
  return path;
}

const pixelAt = async (path: string, x: number, y: number) => {
  const { data, info } = await openPhoto(path).raw().toBuffer({ resolveWithObject: true });
  expect(info.channels).toBe(3);
  return [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)];
};

test.each([1, 2, 3, 4, 5, 6, 7, 8])('EXIF orientation %i comes out upright', async (orientation) => {
  const path = await orientedFile(orientation);
  expect(await inspectPhoto(path)).toMatchObject({ width: 40, height: 30 });
  const places = [
    [8, 6, [255, 0, 0]],
    [32, 6, [0, 255, 0]],
    [8, 24, [0, 0, 255]],
    [32, 24, [255, 255, 255]],
  ] as const;
  for (const [x, y, colour] of places)
    (await pixelAt(path, x, y)).forEach((v, c) => expect(Math.abs(v - colour[c]!)).toBeLessThan(8));
});

const flat = (rgb: number[], size = 16) =>
  sharp(Buffer.from(Array.from({ length: size * size }, () => rgb).flat()), {
    raw: { width: size, height: size, channels: 3 },
  });

describe('colours are turned into sRGB', () => {
  test('from Display P3 by the embedded profile, as culori converts', async () => {
    const path = file('p3.png');
    await flat([180, 140, 90]).withIccProfile('p3').png().toFile(path);
    // The codes as they stand in the file, read by a decoder that knows nothing of profiles.
    const [r, g, b] = PNG.sync.read(readFileSync(path)).data;
    const seen = converter('rgb')({ mode: 'p3', r: r! / 255, g: g! / 255, b: b! / 255 });
    const expected = [seen.r, seen.g, seen.b].map((v) => v * 255);
    expect(Math.abs(r! - expected[0]!)).toBeGreaterThan(5);
    (await pixelAt(path, 3, 3)).forEach((v, c) => expect(Math.abs(v - expected[c]!)).toBeLessThanOrEqual(2));
  });

  test('from CMYK by the embedded profile, as jscolorengine converts (perceptual intent)', async () => {
    for (const rgb of [
      [150, 100, 90],
      [128, 128, 128],
      [200, 180, 160],
      [60, 60, 70],
    ]) {
      const path = file('cmyk.tif');
      await flat(rgb).toColourspace('cmyk').withIccProfile('cmyk').tiff({ compression: 'lzw' }).toFile(path);
      const { space, icc } = await sharp(path).metadata();
      expect(space).toBe('cmyk');
      const inks = await sharp(path).pipelineColourspace('cmyk').toColourspace('cmyk').raw().toBuffer();
      const profile = new Profile();
      profile.loadBinary(new Uint8Array(icc!));
      const transform = new Transform({ dataFormat: 'int8', buildLut: false });
      transform.create(profile, '*srgb', eIntent.perceptual);
      const expected = transform.transformArray(Uint8Array.from(inks.subarray(0, 4)));
      // Both engines interpolate the profile's table in their own ways: up to 5 apart in dark blues.
      (await pixelAt(path, 3, 3)).forEach((v, c) => expect(Math.abs(v - expected[c]!)).toBeLessThanOrEqual(5));
    }
  });

  test('from grey and 16 bits, always three channels of 8 bits', async () => {
    const grey = file('grey.jpg');
    await flat([90, 90, 90]).greyscale().jpeg({ quality: 100 }).toFile(grey);
    (await pixelAt(grey, 3, 3)).forEach((v) => expect(Math.abs(v - 90)).toBeLessThan(3));
    const deep = file('deep.png');
    await flat([10, 128, 250]).toColourspace('rgb16').png().toFile(deep);
    expect((await sharp(deep).metadata()).depth).toBe('ushort');
    (await pixelAt(deep, 3, 3)).forEach((v, c) => expect(Math.abs(v - [10, 128, 250][c]!)).toBeLessThan(2));
  });

  test('what a photo leaves transparent is laid on white', async () => {
    const path = file('clear.webp');
    await sharp({ create: { width: 9, height: 9, channels: 4, background: { r: 255, g: 0, b: 0, alpha: 0 } } })
      .webp({ lossless: true })
      .toFile(path);
    expect((await inspectPhoto(path)).hasAlpha).toBe(true);
    expect(await pixelAt(path, 4, 4)).toEqual([255, 255, 255]);
  });
});

describe('alpha', () => {
  /** 3,000 × 2,000 pixels of one colour, of which one may be less opaque. */
  const rgba = (alpha: number) => {
    const data = Buffer.alloc(3000 * 2000 * 4, 200);
    for (let i = 3; i < data.length; i += 4) data[i] = 255;
    data[4 * (3000 * 777 + 1234) + 3] = alpha;
    return sharp(data, { raw: { width: 3000, height: 2000, channels: 4 } });
  };

  test.each([
    ['a PNG', () => rgba(255).png({ compressionLevel: 1 }).toFile(file('opaque'))],
    ['16 bits', () => rgba(255).resize(600).toColourspace('rgb16').png().toFile(file('opaque'))],
    ['a TIFF', () => rgba(255).resize(600).tiff({ compression: 'lzw' }).toFile(file('opaque'))],
  ])('that says nothing is none: %s', async (_, write) => {
    await write();
    expect((await sharp(file('opaque')).metadata()).hasAlpha).toBe(true);
    expect((await inspectPhoto(file('opaque'))).hasAlpha).toBe(false);
  });

  test('of a single pixel in six million is some', async () => {
    await rgba(0).png({ compressionLevel: 1 }).toFile(file('hole'));
    expect((await inspectPhoto(file('hole'))).hasAlpha).toBe(true);
  });

  test('of a picture that is cut short makes it a broken one', async () => {
    const whole = await rgba(255).resize(600).png().toBuffer();
    writeFileSync(file('cut.png'), whole.subarray(0, whole.length * 0.6));
    await expect(inspectPhoto(file('cut.png'))).rejects.toMatchObject({ code: 'photo-broken' });
  });
});

test.each([
  ['products/celadon-tile-18.png', 'png'],
  ['products/slate-tile-24.webp', 'webp'],
  ['products/tenmoku-tile-30.avif', 'avif'],
  ['products/turquoise-tile-36.tif', 'tiff'],
  ['products/cobalt-tile-42.gif', 'gif'],
  ['products/ash-jug-34.jpg', 'jpeg'],
])('the type of %s is told by its content', async (name, format) => {
  expect(sniff(readFileSync(`demo/photos/${name}`).subarray(0, 32))).toBe(format);
  expect((await inspectPhoto(`demo/photos/${name}`)).format).toBe(format);
});

describe('what is not taken is told in a sentence', () => {
  const here = { files: filesIn(file('data')) };
  const refusal = async (path: string) => {
    const error = await inspectPhoto(path).then(
      () => makeProxies(here, path, 'f'.repeat(64)).catch((e: unknown) => e),
      (e: unknown) => e,
    );
    expect(error).toBeInstanceOf(WobrelError);
    return error as WobrelError;
  };

  test('an empty file', async () => {
    expect((await refusal(`${DEMO}/empty.jpg`)).message).toBe('The file is empty.');
  });
  test('a text file called .jpg', async () => {
    expect((await refusal(`${DEMO}/price-list.jpg`)).message).toMatch(/not a JPEG.*looks like a text file/);
  });
  test('a photo cut short', async () => {
    expect((await refusal(`${DEMO}/kiln-load-cut-short.jpg`)).message).toBe('The file is broken or cut short.');
  });
  test('an SVG, whatever it is called', async () => {
    writeFileSync(file('logo.png'), '<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>');
    expect((await refusal(file('logo.png'))).message).toMatch(/looks like an SVG/);
  });
  test('a bomb of more than 100 megapixels, without decoding it', async () => {
    // The header of a small PNG, made to say 20,000 × 6,000; its checksum is set right (PNG 3rd edition §5.3).
    const bomb = await flat([255, 255, 255]).png().toBuffer();
    bomb.writeUInt32BE(20_000, 16);
    bomb.writeUInt32BE(6000, 20);
    bomb.writeUInt32BE(crc32(bomb.subarray(12, 29)), 29);
    writeFileSync(file('bomb.png'), bomb);
    expect((await refusal(file('bomb.png'))).message).toBe('The photo has 120 megapixels; up to 100 are taken.');
  });
});

describe('TIFFs, whose decoder fills in what is missing', () => {
  const noise = () => sharp(Buffer.from(Array.from({ length: 300 * 200 * 3 }, (_, i) => (i * 7919) % 251)), { raw: { width: 300, height: 200, channels: 3 } }); // prettier-ignore

  test.each([
    ['strips', {}],
    ['tiles', { tile: true, tileWidth: 64, tileHeight: 64 }],
    ['BigTIFF', { bigtiff: true }],
    ['LZW', { compression: 'lzw' }],
  ] as const)('whole with %s is taken, cut short is not', async (name, options) => {
    const whole = await noise()
      .tiff({ compression: 'none', ...options })
      .toBuffer();
    const [path, cut] = [file(`${name}.tif`), file(`${name}-cut.tif`)];
    writeFileSync(path, whole);
    expect(await inspectPhoto(path)).toMatchObject({ format: 'tiff', width: 300, height: 200 });
    // libvips writes the directory first or last: either way half of the pixels or the directory is gone.
    writeFileSync(cut, whole.subarray(0, whole.length * 0.6));
    await expect(inspectPhoto(cut)).rejects.toMatchObject({ code: 'photo-broken' });
  });
});

describe('raw files of cameras', () => {
  /** A grey picture of 160 × 120 pixels whose directory (TIFF 6.0 §2: entries of one LONG each, by rising tags) has more fields. */
  const withPreview = (name: string, more: readonly (readonly [tag: number, value: number])[]) => {
    const fields = [[256, 160], [257, 120], [258, 8], [259, 1], [262, 1], [273, 1000], [277, 1], [278, 120], [279, 160 * 120], ...more] as const; // prettier-ignore
    const made = Buffer.alloc(1000 + 160 * 120, 128);
    Buffer.from('49492a0008000000', 'hex').copy(made);
    made.writeUInt16LE(fields.length, 8);
    [...fields]
      .sort(([a], [b]) => a - b)
      .forEach(([tag, value], i) => {
        const entry = 10 + 12 * i;
        made.writeUInt16LE(tag, entry);
        made.writeUInt16LE(4, entry + 2);
        made.writeUInt32LE(1, entry + 4);
        made.writeUInt32LE(value, entry + 8);
      });
    made.writeUInt32LE(0, 10 + 12 * fields.length);
    writeFileSync(file(name), made);
    return file(name);
  };
  const reason = async (path: string) => ((await inspectPhoto(path).catch((error: Error) => error)) as Error).message;

  test('in TIFF’s clothes are not taken for their small preview (TIFF 6.0 §8, Technical Note 1, DNG 1.7)', async () => {
    expect(await inspectPhoto(withPreview('plain.tif', []))).toMatchObject({ width: 160, height: 120 });
    // A smaller copy, but of nothing that the file holds besides; a picture with others, but no smaller copy.
    expect(await inspectPhoto(withPreview('copy.tif', [[254, 1]]))).toMatchObject({ width: 160 });
    expect(await inspectPhoto(withPreview('levels.tif', [[330, 800]]))).toMatchObject({ width: 160 });
    const preview = [[254, 1], [330, 800]] as const; // prettier-ignore
    expect(await reason(withPreview('preview.nef', preview))).toMatch(/looks like a camera’s raw file/);
    expect(await reason(withPreview('raw.dng', [[50706, 0x401]]))).toMatch(/looks like a camera’s raw file/);
  });

  test.each([
    ['II*\0\x10\0\0\0CR\x02\0', 'a camera’s raw file'],
    ['\0\0\0\x18ftypcrx \0\0\0\x01', 'a camera’s raw file'],
    ['FUJIFILMCCD-RAW 0201', 'a camera’s raw file'],
    ['IIU\0\x18\0\0\0', 'a camera’s raw file'],
    ['\0\0\0\x0cJXL \r\n\x87\n', 'a JPEG XL picture'],
    ['\0\0\0\x0cjP  \r\n\x87\n', 'a JPEG 2000 picture'],
    ['BM\x36\x0c\0\0\0\0\0\0\x36\0\0\0', 'a bitmap'],
    ['BM prices of this autumn', 'a text file'],
    ['8BPS\0\x01\0\0', 'a picture in layers'],
  ])('and other files are told by their first bytes: %j', async (head, words) => {
    writeFileSync(file('other.bin'), Buffer.from(head.padEnd(40, head.includes('\0') ? '\0' : ' '), 'latin1'));
    expect(await reason(file('other.bin'))).toContain(`; it looks like ${words}`);
  });
});

test('a file of a few bytes whose header claims many pixels is refused', async () => {
  // GIF89a (1990) §18: a logical screen and an image of 9999 × 9999, in 35 bytes.
  const gif = Buffer.from('47494638396100000000800000000000ffffff2c00000000010001000002024401003b', 'hex');
  // Logical screen and image alike.
  for (const at of [6, 8, 24, 26]) gif.writeUInt16LE(9999, at);
  writeFileSync(file('claims.gif'), gif);
  await expect(inspectPhoto(file('claims.gif'))).rejects.toMatchObject({
    code: 'photo-broken',
    message: 'The file is far too small to hold the 9999 × 9999 pixels that it claims.',
  });
});

test('what a refusal says are sentences of ours: no path, no word of the decoder', async () => {
  for (const head of [
    '\xff\xd8\xff\xe0garbage',
    '\x89PNG\r\n\x1a\ngarbage',
    'RIFF\x10\0\0\0WEBPgarbage',
    'II*\0\x08\0\0\0',
    '\0\0\0\x1cftypavifgarbage',
  ]) {
    writeFileSync(file('garbage'), Buffer.from(head, 'latin1'));
    const { message } = (await inspectPhoto(file('garbage')).catch((error: Error) => error)) as Error;
    expect(['The file is broken or cut short.', 'The file can’t be read as a photo.']).toContain(message);
  }
  await expect(inspectPhoto('/dev/null')).rejects.toMatchObject({ message: 'It is no file.' });
  await expect(inspectPhoto(file('nowhere.jpg'))).rejects.toMatchObject({ message: 'The file is gone.' });
});

test('proxies have a longest side of 512 and 2048, are upright and carry no metadata', async () => {
  const here = { files: filesIn(file('data')) };
  const path = file('large.jpg');
  await sharp({ create: { width: 3000, height: 4500, channels: 3, background: '#a0b0c0' } })
    .withExifMerge({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .jpeg()
    .toFile(path);
  await makeProxies(here, path, 'a'.repeat(64));
  for (const size of [512, 2048] as const) {
    const metadata = await sharp(here.files.proxy('a'.repeat(64), size)).metadata();
    expect(Math.max(metadata.width, metadata.height)).toBe(size);
    expect([metadata.exif, metadata.orientation]).toEqual([undefined, undefined]);
  }
});
