/** Every format through a decoder that shares no code with the encoder: pngjs, jpeg-js, omggif, UTIF. WebP and AVIF are read by Chromium in the browser tests. */
import { decode as decodeJpeg } from 'jpeg-js';
import { GifReader } from 'omggif';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import * as UTIF from 'utif2';
import { oneBitAlpha } from '../../core/export';
import { parseTemplate, type Output } from '../../core/template';
import { seededBytes } from '../../core/testing/photos';
import { encode, type Picture } from './encode';

const [width, height] = [96, 64];

/** A disc that fades out at its rim, in a gradient of colours. */
function disc(): Uint8ClampedArray {
  const pixels = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const alpha = 255 * Math.max(0, Math.min(1, (26 - Math.hypot(x - 47.5, y - 31.5)) / 8));
      pixels.set([x * 2, 200 - y, 90 + x, alpha], (y * width + x) * 4);
    }
  return pixels;
}
const picture: Picture = { pixels: disc(), width, height, ppi: 300 };
const outputOf = (fields: object): Output => parseTemplate({ wobrel: 1, name: 'T', frame: { width, height }, outputs: [fields] }).outputs[0]!; // prettier-ignore
const made = async (fields: object, part: Parameters<typeof encode>[2] = null) =>
  (await encode(picture, outputOf(fields), part)).data;
const alphasOf = (data: ArrayLike<number>) => Array.from({ length: data.length / 4 }, (_, i) => data[i * 4 + 3]!);

const coloursOf = (pixels: Uint8Array) => new Set(Array.from({ length: pixels.length / 4 }, (_, i) => pixels.subarray(i * 4, i * 4 + 4).join())).size; // prettier-ignore

/** Straight RGBA of a GIF's only picture. */
function gif(data: Buffer) {
  const reader = new GifReader(data);
  const pixels = new Uint8Array(reader.width * reader.height * 4);
  reader.decodeAndBlitFrameRGBA(0, pixels);
  return { width: reader.width, height: reader.height, pixels };
}

function tiff(data: Buffer) {
  const [page] = UTIF.decode(data);
  UTIF.decodeImage(data, page!);
  return {
    page: page as unknown as Record<string, number[]> & { readonly t282: readonly number[][] },
    pixels: UTIF.toRGBA8(page!),
  };
}

describe('PNG', () => {
  test.each(['quick', 'balanced', 'smallest'])('%s keeps every pixel', async (effort) => {
    const { data } = PNG.sync.read(await made({ effort }));
    expect(Buffer.compare(data, Buffer.from(picture.pixels))).toBe(0);
  });

  test('the smallest is smaller than the others of a photo, and no larger of flat colours', async () => {
    const sizesOf = async (own: Picture) =>
      Promise.all(['quick', 'balanced', 'smallest'].map(async (effort) => (await encode(own, outputOf({ effort }), null)).data.length)); // prettier-ignore
    const side = 200;
    const grain = seededBytes(side * side * 4, 5);
    const photo = new Uint8ClampedArray(grain.length).map((_, i) =>
      i % 4 === 3 ? 255 : ((i >> 2) % side) + (grain[i]! >> 3),
    );
    const ofPhoto = await sizesOf({ pixels: photo, width: side, height: side, ppi: 96 });
    expect(ofPhoto[2]).toBeLessThan(0.95 * Math.min(ofPhoto[0]!, ofPhoto[1]!));
    const ofDisc = await sizesOf(picture);
    expect(ofDisc[2]).toBeLessThanOrEqual(Math.min(ofDisc[0]!, ofDisc[1]!));
  });

  test.each([2, 4, 16, 256])('it has no more than %i colours', async (colours) => {
    const { data } = PNG.sync.read(await made({ colours }));
    expect(coloursOf(data)).toBeLessThanOrEqual(colours);
    expect(coloursOf(data)).toBeGreaterThan(colours / 2);
  });
});

describe('JPEG', () => {
  test.each([
    ['baseline', false, 0xc0],
    ['progressive', true, 0xc2],
  ])('%s', async (_, progressive, marker) => {
    const data = await made({ format: 'jpeg', matte: '#ffffff', progressive });
    // ITU-T T.81 table B.1: the frame's marker says which it is.
    expect(data.includes(Buffer.from([0xff, marker, 0x00, 0x11]))).toBe(true);
    const decoded = decodeJpeg(data);
    expect([decoded.width, decoded.height]).toEqual([width, height]);
  });
});

describe('GIF', () => {
  test('without a matte rims are cut at half', async () => {
    const { pixels } = gif(await made({ format: 'gif' }));
    const wanted = alphasOf(picture.pixels).map((alpha) => (alpha >= 128 ? 255 : 0));
    expect(alphasOf(pixels)).toEqual(wanted);
  });

  test('with one they lie on it', async () => {
    const { pixels } = gif(await made({ format: 'gif', matte: '#ff0000' }));
    const alphas = alphasOf(picture.pixels);
    expect(alphasOf(pixels)).toEqual(alphas.map((alpha) => (alpha >= 3 ? 255 : 0)));
    // Where next to nothing of the disc is left, the matte is seen.
    const faint = alphas.findIndex((alpha) => alpha >= 3 && alpha < 20);
    expect(pixels[faint * 4]!).toBeGreaterThan(200);
    expect(pixels[faint * 4 + 2]!).toBeLessThan(60);
  });

  test('a palette with dithering stays near the colours', async () => {
    const { pixels } = gif(await made({ format: 'gif' }));
    const wanted = oneBitAlpha(picture.pixels, null);
    let [sum, n] = [0, 0];
    wanted.forEach((v, i) => {
      if (wanted[i | 3]! === 0 || i % 4 === 3) return;
      sum += Math.abs(v - pixels[i]!);
      n++;
    });
    expect(sum / n).toBeLessThan(4);
  });

  test.each([2, 4, 16])('it has no more than %i colours', async (colours) => {
    const { pixels } = gif(await made({ format: 'gif', colours }));
    expect(coloursOf(pixels)).toBeLessThanOrEqual(colours);
  });
});

describe('TIFF', () => {
  test.each([
    ['quick', 5],
    ['balanced', 8],
  ])('%s keeps every pixel and its resolution', async (effort, compression) => {
    const { page, pixels } = tiff(await made({ format: 'tiff', effort }));
    // TIFF 6: tag 259 is the compression (5: LZW, 8: deflate), 282 the resolution, 296 its unit (2: inch, 3: centimetre).
    expect(page.t259).toEqual([compression]);
    const perInch = page.t282[0]![0]! * (page.t296![0] === 3 ? 2.54 : 1);
    expect(perInch).toBeCloseTo(300, 0);
    const straight = page.t338?.[0] !== 1;
    expect(straight).toBe(true);
    expect(alphasOf(pixels)).toEqual(alphasOf(picture.pixels));
  });
});

test.each(['png', 'jpeg', 'webp', 'avif', 'gif', 'tiff'])(
  '%s is written of pixels that are metres or atoms large',
  async (format) => {
    for (const ppi of [1e-7, 3e9]) {
      const { data } = await encode({ ...picture, ppi }, outputOf({ format, matte: format === 'jpeg' ? '#ffffff' : null }), null); // prettier-ignore
      expect((await sharp(data).metadata()).width).toBe(width);
    }
  },
);

describe('without loss', () => {
  const raw = async (fields: object) =>
    sharp(await made(fields))
      .ensureAlpha()
      .raw()
      .toBuffer();
  test.each(['webp', 'avif'])('%s keeps alpha exactly', async (format) => {
    expect(alphasOf(await raw({ format, lossless: true }))).toEqual(alphasOf(picture.pixels));
  });
  test('WebP with loss keeps alpha exactly, too; AVIF with loss does not, and is told', async () => {
    expect(alphasOf(await raw({ format: 'webp', quality: 40 }))).toEqual(alphasOf(picture.pixels));
    expect(alphasOf(await raw({ format: 'avif', quality: 40 }))).not.toEqual(alphasOf(picture.pixels));
  });
});

describe('a part', () => {
  test('is cut out, and what reaches beyond the picture is empty', async () => {
    const { data, ...size } = PNG.sync.read(await made({}, { left: -10, top: 20, width: 50, height: 60 }));
    expect([size.width, size.height]).toEqual([50, 60]);
    for (let y = 0; y < 60; y++)
      for (let x = 0; x < 50; x++) {
        const [sx, sy] = [x - 10, y + 20];
        const inside = sx >= 0 && sy < height;
        const at = (y * 50 + x) * 4;
        const wanted = inside
          ? [...picture.pixels.subarray((sy * width + sx) * 4, (sy * width + sx) * 4 + 4)]
          : [0, 0, 0, 0];
        expect([...data.subarray(at, at + 4)]).toEqual(wanted);
      }
  });

  test('in a JPEG it is the matte', async () => {
    const white: Picture = { ...picture, pixels: new Uint8ClampedArray(width * height * 4).fill(255) };
    const { data } = await encode(white, outputOf({ format: 'jpeg', matte: '#0000ff', quality: 100 }), { left: -16, top: 0, width: 40, height: 40 }); // prettier-ignore
    const { data: pixels } = decodeJpeg(data);
    expect([...pixels.subarray(0, 3)].map((v) => Math.round(v / 16))).toEqual([0, 0, 16]);
  });
});

describe('the profile of sRGB', () => {
  const FORMATS = ['png', 'webp', 'jpeg', 'avif', 'tiff'].map((format) => ({ format, ...(format === 'jpeg' && { matte: '#fff' }) })); // prettier-ignore

  test.each(FORMATS)('%j has it, or not: the resolution and the pixels are the same', async (fields) => {
    const [embedded, bare] = [await made(fields), await made({ ...fields, profile: 'none' })];
    const [first, second] = await Promise.all([embedded, bare].map((data) => sharp(data).metadata()));
    // ICC.1:2022 §7.2: 'acsp' at byte 36, the colour space at 16.
    expect([first!.icc!.toString('latin1', 36, 40), first!.icc!.toString('latin1', 16, 20)]).toEqual(['acsp', 'RGB ']);
    expect(second!.icc).toBeUndefined();
    expect(second!.density).toBe(first!.density);
    expect(bare.length).toBeLessThan(embedded.length);
    const [a, b] = await Promise.all([embedded, bare].map((data) => sharp(data).raw().toBuffer()));
    expect(Buffer.compare(a!, b!)).toBe(0);
  });
});
