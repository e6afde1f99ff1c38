/** Metadata in files, read by ExifReader, which shares no code with the encoder. */
import ExifReader from 'exifreader';
import sharp from 'sharp';
import { holdsMetadata, xmpOf } from '../../core/metadata';
import { parseTemplate } from '../../core/template';
import { encode } from './encode';

const picture = { pixels: new Uint8ClampedArray(40 * 30 * 4).fill(180), width: 40, height: 30, ppi: 300 };
const said = {
  title: 'Bowl “blue” & <white>',
  alt: 'Eine blaue Schüssel, 藍',
  creator: 'Ö. Maker',
  copyright: '© 2026',
};
const outputOf = (format: string) => parseTemplate({ wobrel: 1, name: 'T', outputs: [{ format }] }).outputs[0]!;

describe.each(['png', 'webp', 'jpeg', 'avif', 'tiff'])('%s', (format) => {
  test('holds title, alternative text, creator and rights, and nothing more of them', async () => {
    const { data } = await encode({ ...picture, xmp: xmpOf(said) }, outputOf(format), null);
    const { xmp = {} } = await ExifReader.load(data, { expanded: true, async: true });
    const text = (tag: string) => (xmp as Record<string, { description: string }>)[tag]?.description;
    expect([text('title'), text('AltTextAccessibility'), text('creator'), text('rights')]).toEqual([said.title, said.alt, said.creator, said.copyright]); // prettier-ignore
    expect(holdsMetadata(outputOf(format))).toBe(true);
  });

  test('says nothing where there is nothing to say', async () => {
    const { data } = await encode(picture, outputOf(format), null);
    expect((await ExifReader.load(data, { expanded: true, async: true })).xmp).toBeUndefined();
  });

  test('keeps its pixels and its resolution', async () => {
    const [plain, worded] = await Promise.all(
      [null, xmpOf(said)].map((xmp) => encode({ ...picture, xmp }, outputOf(format), null)),
    );
    const raw = (data: Buffer) => sharp(data).raw().toBuffer();
    expect(await raw(worded!.data)).toEqual(await raw(plain!.data));
    const density = async (data: Buffer) => (await sharp(data).metadata()).density;
    expect(await density(worded!.data)).toBe(await density(plain!.data));
  });
});

test('GIF holds none, and is told none', async () => {
  expect(holdsMetadata(outputOf('gif'))).toBe(false);
  const { data } = await encode({ ...picture, xmp: xmpOf(said) }, outputOf('gif'), null);
  expect(data.includes('xmpmeta')).toBe(false);
});
