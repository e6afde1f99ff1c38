/** HEIC photos against values of another decoder, and hostile ones. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '../../../demo/generator/random';
import { WobrelError } from '../../core/errors';
import { inspectPhoto, isHeic, openPhoto } from '../intake';
import { ownTask } from '../render/own';
import { developHeic } from './develop';
import { heifPicture } from './libheif';
import { madeHeic, type MadeHeic } from './made-heic';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-heic-'));
afterAll(() => rmSync(folder, { recursive: true }));

let made = 0;
const kept = (file: Buffer): string => {
  const path = join(folder, `${made++}.heic`);
  writeFileSync(path, file);
  return path;
};

async function developed(options: MadeHeic = {}): Promise<string> {
  const to = join(folder, `${made++}.out`);
  await developHeic(kept(madeHeic(options)), to);
  return to;
}

/** The mean of 8 × 8 pixels whose first corner is told. */
async function meanAt(path: string, left: number, top: number): Promise<number[]> {
  const { channels } = await openPhoto(path).extract({ left, top, width: 8, height: 8 }).toBuffer().then((cut) => sharp(cut).stats()); // prettier-ignore
  return channels.slice(0, 3).map(({ mean }) => mean);
}

const within = (got: readonly number[], wanted: readonly number[], limit: number) =>
  got.every((value, i) => Math.abs(value - wanted[i]!) <= limit);

/** Means at the tiles' first and last corners by Debian's ffmpeg 5.1, whose decoder of HEVC has nothing to do with libde265, on which libheif stands. */
const BY_FFMPEG = [
  { first: [121.1, 22.7, 23], last: [121, 22.8, 23.2] },
  { first: [23.4, 96.1, 35.8], last: [23.3, 96.2, 35.6] },
  { first: [29.5, 40.9, 120.8], last: [29.5, 40.9, 120.9] },
  { first: [133.3, 120.1, 35.6], last: [133.3, 120, 35.6] },
] as const;

describe('a HEIC photo', () => {
  test('of four tiles shows what another decoder makes of each, within 3 of 255', async () => {
    const path = await developed();
    expect(await inspectPhoto(path)).toEqual({ format: 'jpeg', width: 128, height: 128, hasAlpha: false });
    for (const [i, { first, last }] of BY_FFMPEG.entries()) {
      const [left, top] = [(i % 2) * 64, i < 2 ? 0 : 64];
      expect(within(await meanAt(path, left, top), first, 3)).toBe(true);
      expect(within(await meanAt(path, left + 56, top + 56), last, 3)).toBe(true);
    }
  });

  test.each([
    // What lay at the first corner; where it lies after quarter turns anticlockwise (ISO/IEC 23008-12 §6.5.10).
    [0, 120, 100, 0, 0],
    [1, 100, 120, 0, 112],
    [2, 120, 100, 112, 92],
    [3, 100, 120, 92, 0],
  ])(
    'that says it is turned by %i quarters is upright, and cut to its grid',
    async (turned, width, height, left, top) => {
      const path = await developed({ width: 120, height: 100, turned });
      expect(await inspectPhoto(path)).toMatchObject({ width, height });
      expect(within(await meanAt(path, left, top), BY_FFMPEG[0].first, 3)).toBe(true);
    },
  );

  test('keeps what its numbers mean: an ICC profile, or Display P3 by its code (ITU-T H.273)', async () => {
    const one = sharp({ create: { width: 1, height: 1, channels: 3, background: '#fff' } });
    const { icc } = await sharp(await one.withIccProfile('p3').png().toBuffer()).metadata();
    const profile = Buffer.concat([Buffer.from('prof'), icc!]);
    const codes = Buffer.concat([Buffer.from('nclx'), Buffer.from([0, 12, 0, 13, 0, 6, 0x80])]);
    const [plain, byProfile, byCode] = await Promise.all([developed(), developed({ colours: profile }), developed({ colours: codes })]); // prettier-ignore
    expect((await sharp(plain).metadata()).icc).toBeUndefined();
    expect((await sharp(byProfile).metadata()).icc).toEqual(icc);
    expect((await sharp(byCode).metadata()).icc).toEqual(icc);
    // The same numbers are a stronger red in Display P3.
    const [red] = await meanAt(byCode, 56, 0);
    expect(red).toBeGreaterThan((await meanAt(plain, 56, 0))[0]! + 8);
  });

  test('keeps what it says of itself, and is not turned twice', async () => {
    const exif = await sharp({ create: { width: 1, height: 1, channels: 3, background: '#fff' } })
      .withMetadata({ orientation: 6 })
      .withExifMerge({ IFD0: { Artist: 'Ilka Thorne', Model: 'Camera 3' } })
      .jpeg()
      .toBuffer();
    const block = (await sharp(exif).metadata()).exif!.subarray(6);
    const xmp = '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title><rdf:Alt><rdf:li xml:lang="x-default">A jug</rdf:li></rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta>'; // prettier-ignore
    const path = await developed({ width: 120, height: 100, exif: block, xmp });
    expect(await inspectPhoto(path)).toMatchObject({ width: 120, height: 100 });
    expect(await ownTask({ paths: [path] })).toEqual([{ Title: 'A jug', Creator: 'Ilka Thorne', Camera: 'Camera 3' }]);
  });

  test('whose profile or EXIF block is broken is a photo without it', async () => {
    const colours = Buffer.concat([Buffer.from('prof'), Buffer.alloc(300, 7)]);
    const path = await developed({ colours, exif: Buffer.from('II*\0\xff\xff\xff\0\0\0\0\0\0', 'latin1') });
    expect(within(await meanAt(path, 0, 0), BY_FFMPEG[0].first, 3)).toBe(true);
    expect(await ownTask({ paths: [path] })).toEqual([{}]);
  });

  test('with alpha stays partly transparent', async () => {
    const path = await developed({ columns: 1, rows: 1, hasAlpha: true });
    expect(await inspectPhoto(path)).toMatchObject({ format: 'png', width: 64, height: 64, hasAlpha: true });
    const { channels } = await sharp(path).stats();
    expect(channels[3]!.mean).toBeGreaterThan(80);
    expect(channels[3]!.mean).toBeLessThan(160);
  });

  test('whose colours were multiplied by their alpha shows them as they were', async () => {
    const alpha = { columns: 1, rows: 1, hasAlpha: true } as const;
    const plain = await heifPicture(madeHeic(alpha));
    const { pixels } = await heifPicture(madeHeic({ ...alpha, isPremultiplied: true }));
    const divided = plain.pixels.map((v, i) => i % 4 === 3 ? v : Math.min(255, Math.round((v * 255) / plain.pixels[i - (i % 4) + 3]!))); // prettier-ignore
    expect(Buffer.compare(pixels, divided as Buffer)).toBe(0);
    expect(Buffer.compare(pixels, plain.pixels)).not.toBe(0);
  });
});

describe('a file that only looks like one', () => {
  const outcome = (file: Buffer) => heifPicture(file).then(() => 'a picture', (error: unknown) => error); // prettier-ignore

  test('cut short anywhere is refused in a sentence', async () => {
    const whole = madeHeic();
    for (const part of [0.02, 0.05, 0.1, 0.3, 0.6, 0.95])
      expect(await outcome(whole.subarray(0, Math.round(part * whole.length)))).toMatchObject({
        code: 'photo-broken',
        message: expect.stringMatching(/^The file (is broken or cut short|can’t be read as a photo)\.$/) as string,
      });
  });

  test('that claims more pixels than are taken is refused before they are made', async () => {
    const file = madeHeic({ columns: 1, rows: 1, width: 20_000, height: 20_000 });
    expect(await outcome(file)).toMatchObject({ code: 'photo-too-large' });
  });

  test('with bytes by lot is a picture or refused, and nothing else', async () => {
    const random = seeded(7);
    const whole = madeHeic();
    for (let round = 0; round < 30; round++) {
      const file = Buffer.from(whole);
      for (let k = 0; k < 12; k++) file[Math.floor(random() * (round % 2 ? 600 : file.length))] = Math.floor(random() * 256); // prettier-ignore
      const told = await outcome(file);
      expect(told === 'a picture' || told instanceof WobrelError).toBe(true);
    }
  });
});

test('HEIC photos are told by their brands, and nothing else is', async () => {
  const headed = (type: string) => kept(Buffer.from(`\0\0\0\x18${type}`.padEnd(40, '\0'), 'latin1'));
  for (const type of ['ftypheic\0\0\0\0mif1heic', 'ftypheix\0\0\0\0mif1heix', 'ftypmif1\0\0\0\0mif1heic'])
    expect(await isHeic(headed(type))).toBe(true);
  for (const type of ['ftypavif\0\0\0\0mif1avif', 'ftypmif1\0\0\0\0mif1avif', 'ftypisom\0\0\0\0isommp41', 'ftypcrx '])
    expect(await isHeic(headed(type))).toBe(false);
  expect(await isHeic('/dev/null')).toBe(false);
  expect(await isHeic(join(folder, 'nowhere'))).toBe(false);
});
