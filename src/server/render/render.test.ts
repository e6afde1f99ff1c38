import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import jpeg from 'jpeg-js';
import sharp from 'sharp';
import { outsideOf, placer, scaledSize, toScaled, type Adjustment } from '../../core/placement';
import { compile, compose } from '../../core/plate';
import { resample } from '../../core/raster';
import { parseTemplate } from '../../core/template';
import { inspectPhoto, openPhoto } from '../intake';
import { sha256Of, writeWhole } from '../store';
import { asWriteError } from '../store/files';
import { lookOf } from './look';
import { renderPhoto } from './render';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-render-'));
afterAll(() => rmSync(folder, { recursive: true }));

const DEMO = 'demo/photos/products';

/** Renders a demo photo and gives the files' bytes, in the order of the outputs. */
async function rendered(fields: object, source = `${DEMO}/celadon-mug-01.jpg`) {
  const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 300, height: 300 }, ...fields });
  const photo = await inspectPhoto(source);
  const targets = template.outputs.map((output, i) => ({
    output,
    plate: compile(template, output.width, lookOf(output).matte, true),
    path: join(folder, `${Math.random()}-${i}`),
  }));
  const files = await renderPhoto({
    template,
    photos: [
      { path: source, photo, placement: placer(template)(photo), outside: outsideOf(template, null), sight: null },
    ],
    words: { photo: 'photo.jpg', batch: '', index: 1 },
    targets,
    widest: targets.reduce((a, b) => (b.plate.width > a.plate.width ? b : a)).plate,
  });
  return targets.map(({ path }, i) => ({ ...files[i]!, data: readFileSync(path) }));
}

const alphaOf = (png: Buffer) => Buffer.from(PNG.sync.read(png).data.filter((_, i) => i % 4 === 3));

test('the alpha of every photo’s cutout is byte for byte the same, read by an independent decoder', async () => {
  const fields = { borders: [{ width: 6, align: 'centre' }], shadows: [{ blur: 20 }] };
  const names = [
    'celadon-mug-01.jpg',
    'copper-plate-05.jpg',
    'celadon-tile-18.png',
    'ochre-tile-48.jpg',
    'cobalt-tile-42.gif',
  ];
  const alphas = await Promise.all(
    names.map(async (name) => alphaOf((await rendered(fields, `${DEMO}/${name}`))[0]!.data)),
  );
  for (const alpha of alphas) expect(alpha.equals(alphas[0]!)).toBe(true);
});

test('files are as large as said, their sums are right, and nothing is left aside', async () => {
  const [png, webp, mail] = await rendered({
    outputs: [
      { width: 300 },
      { name: 'w', format: 'webp', width: 150 },
      { name: 'j', format: 'jpeg', width: 150, matte: '#ff0000' },
    ],
  });
  for (const file of [png!, webp!, mail!]) {
    expect(file.bytes).toBe(file.data.length);
    expect(file.sha256).toBe(sha256Of(file.data));
  }
  expect([png!.width, webp!.width, mail!.height]).toEqual([300, 150, 150]);
  const { data } = jpeg.decode(mail!.data, { formatAsRGBA: false });
  expect([data[0]! > 240, data[1]! < 20, data[2]! < 20]).toEqual([true, true, true]);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test('trim cuts the file to what is not fully transparent', async () => {
  const [whole, trimmed] = await rendered({
    shape: { kind: 'rectangle', box: { cx: 150, cy: 100, width: 80, height: 40 } },
    outputs: [{ name: 'a' }, { name: 'b', trim: true }],
  });
  expect([whole!.width, whole!.height]).toEqual([300, 300]);
  expect([trimmed!.width, trimmed!.height]).toEqual([80, 40]);
  expect(alphaOf(trimmed!.data).every((a) => a === 255)).toBe(true);
});

test('the file says its resolution: by size for a frame in millimetres, else the frame’s ppi', async () => {
  const fields = { frame: { width: 50.8, height: 50.8, unit: 'mm', ppi: 300 }, outputs: [{}] };
  // pHYs holds pixels per metre: 300 ppi = 11811.
  const phys = (png: Buffer) => (png.includes('pHYs') ? png.readUInt32BE(png.indexOf('pHYs') + 4) : null);
  expect(Math.abs(phys((await rendered(fields))[0]!.data)! - 11811)).toBeLessThanOrEqual(1);
  expect(
    Math.abs(phys((await rendered({ frame: { width: 300, height: 300, ppi: 72 } }))[0]!.data)! - 2835),
  ).toBeLessThanOrEqual(1);
});

test('no metadata of the photo reaches the export', async () => {
  const source = `${DEMO}/celadon-mug-01.jpg`;
  expect((await sharp(source).metadata()).exif?.includes('Brackwick')).toBe(true);
  const files = await rendered(
    { outputs: ['png', 'webp', 'jpeg'].map((format) => ({ name: format, format })) },
    source,
  );
  for (const { data } of files) {
    expect(data.includes('Brackwick')).toBe(false);
    expect(data.includes('GPS')).toBe(false);
  }
});

test('a folder that can’t be written to, or a full disk, is told with the path', async () => {
  const blocked = join(folder, 'a-file');
  writeFileSync(blocked, '');
  await expect(writeWhole(join(blocked, 'x.png'), 'x')).rejects.toMatchObject({
    code: 'cannot-write',
    at: join(blocked, 'x.png'),
  });
  const full = Object.assign(new Error('no space'), { code: 'ENOSPC' });
  expect(asWriteError(full, '/d/x.png')).toMatchObject({
    message: 'Nothing could be written to /d: the disk is full.',
  });
});

/** Renders a photo that is adjusted by hand. */
async function adjusted(fields: object, adjustment: Adjustment, source = `${DEMO}/celadon-mug-01.jpg`) {
  const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 300, height: 300 }, ...fields });
  const photo = { ...(await inspectPhoto(source)), adjustment };
  const [output] = template.outputs;
  const path = join(folder, `${Math.random()}.png`);
  const plate = compile(template, output!.width, null, true);
  const placed = { path: source, photo, placement: placer(template)(photo), outside: outsideOf(template, null) };
  await renderPhoto({
    template,
    photos: [{ ...placed, sight: null }],
    words: { photo: 'photo.jpg', batch: '', index: 1 },
    targets: [{ output: output!, plate, path }],
    widest: null,
  });
  return PNG.sync.read(readFileSync(path));
}

test('a photo enlarged a hundred times and turned takes no more memory than what is seen of it', async () => {
  const before = process.memoryUsage().rss;
  const { width, data } = await adjusted({ centring: { gap: 'extend' } }, { x: 0, y: 0, scale: 100, angle: 1 });
  expect([width, data[(150 * 300 + 150) * 4 + 3]]).toEqual([300, 255]);
  // Scaled whole it would have 56,889 × 42,667 pixels: 10 GB.
  expect((process.memoryUsage().rss - before) / 2 ** 20).toBeLessThan(400);
});

test.each(['ground', 'mirror', 'smear'] as const)(
  'what is seen of a turned photo is what the whole photo scaled would show, continued by %s',
  async (extend) => {
    // An independent way to the same pixels: the photo is scaled whole first, by sharp, and seen through in full.
    const centring = { gap: 'extend', extend };
    const adjustment = { x: 0.31, y: -0.22, scale: 0.6, angle: 17 };
    const picture = await adjusted({ centring }, adjustment);
    const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 300, height: 300 }, centring });
    const source = `${DEMO}/celadon-mug-01.jpg`;
    const photo = { ...(await inspectPhoto(source)), adjustment };
    const plate = compile(template, 300);
    const placement = placer(template)(photo);
    const size = scaledSize(photo, placement, plate.scale);
    const whole = await openPhoto(source)
      .resize(size.width, size.height, { fit: 'fill' })
      .ensureAlpha()
      .raw()
      .toBuffer();
    const part = { left: 0, top: 0, ...size };
    const seen = resample({ data: whole, part, ...size }, plate.photoWindow, toScaled(placement, size, plate.scale), outsideOf(template, null)); // prettier-ignore
    const wanted = compose(plate, { data: seen, window: plate.photoWindow, opaque: true });
    expect(Buffer.compare(Buffer.from(wanted), picture.data)).toBe(0);
  },
);

test('a PNG and a JPEG of one width don’t share pixels that only one of them shows', async () => {
  // A wide feather: on its matte the JPEG shows the photo as far as the PNG, on a backdrop further than its own rim.
  const fields = {
    edge: { feather: 60, featherSide: 'outside' },
    shape: { kind: 'circle', box: { cx: 150, cy: 150, width: 280, height: 280 } },
    outputs: [{ name: 'a', width: 300 }, { name: 'b', width: 300, format: 'jpeg', matte: '#ffffff', quality: 100 }], // prettier-ignore
  };
  const white = join(folder, 'white.png');
  await sharp({ create: { width: 900, height: 900, channels: 3, background: '#ffffff' } })
    .png()
    .toFile(white);
  for (const order of [
    [0, 1],
    [1, 0],
  ]) {
    const outputs = order.map((i) => fields.outputs[i]!);
    const files = await rendered({ ...fields, outputs }, white);
    const mail = jpeg.decode(files[order.indexOf(1)]!.data, { formatAsRGBA: false });
    // White photo on a white matte: not one dark pixel anywhere.
    expect(mail.data.every((v) => v > 250)).toBe(true);
  }
});

test('a narrower output is the same whether the widest one is made with it or was made before', async () => {
  const outputs = [{ name: 'large', width: 300 }, { name: 'small', width: 120 }]; // prettier-ignore
  const [, small] = await rendered({ outputs });
  const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 300, height: 300 }, outputs });
  const source = `${DEMO}/celadon-mug-01.jpg`;
  const photo = await inspectPhoto(source);
  const path = join(folder, 'small-alone.png');
  await renderPhoto({
    template,
    photos: [
      { path: source, photo, placement: placer(template)(photo), outside: outsideOf(template, null), sight: null },
    ],
    words: { photo: 'photo.jpg', batch: '', index: 1 },
    targets: [{ output: template.outputs[1]!, plate: compile(template, 120), path }],
    widest: compile(template, 300),
  });
  expect(readFileSync(path).equals(small!.data)).toBe(true);
});

test.each([
  [12_800, 50],
  [600, 2],
  [1, 20_000],
])('a photo of %d × %d pixels is rendered whatever its gaps are dealt with', async (width, height) => {
  const source = join(folder, `${width}x${height}.png`);
  await sharp({ create: { width, height, channels: 3, background: '#336699' } })
    .png()
    .toFile(source);
  const ways = [{ gap: 'leave' }, ...['ground', 'mirror', 'smear'].map((extend) => ({ gap: 'extend', extend }))]; // prettier-ignore
  for (const centring of ways)
    expect((await rendered({ centring }, source))[0]).toMatchObject({ width: 300, height: 300 });
  expect((await rendered({ behind: [{ zoom: 2 }] }, source))[0]).toMatchObject({ width: 300, height: 300 });
});

test('the photo behind is the photo as libvips covers and blurs it, at a distance from the rim where both know all pixels', async () => {
  const source = `${DEMO}/celadon-mug-01.jpg`;
  const fields = { shape: { kind: 'circle', box: { cx: 150, cy: 150, width: 40, height: 40 } } };
  for (const [blur, by] of [[0, 0.1], [6, 1], [24, 1.5]] as const) {
    const [file] = await rendered({ ...fields, behind: [{ blur }], outputs: [{ width: 300 }] }, source);
    const cover = sharp(await openPhoto(source).resize(300, 300, { fit: 'cover' }).png().toBuffer()).removeAlpha();
    const other = await (blur > 0 ? cover.blur({ sigma: blur / 2, minAmplitude: 0.001, precision: 'float' }) : cover).raw().toBuffer();
    const own = PNG.sync.read(file!.data).data;
    let [sum, n] = [0, 0];
    for (let y = 50; y < 250; y++)
      for (let x = 50; x < 250; x++) {
        if (Math.hypot(x - 150, y - 150) < 24) continue;
        for (let c = 0; c < 3; c++, n++) sum += Math.abs(own[(y * 300 + x) * 4 + c]! - other[(y * 300 + x) * 3 + c]!);
      }
    expect(sum / n).toBeLessThan(by);
    expect(own[3]).toBe(255);
  }
}); // prettier-ignore

describe('a photo that is enlarged lies where it is placed to within a twentieth of a pixel', () => {
  /** A dark disc, its middle a third across and down, in a photo of 90 × 90 pixels. */
  const disc = Buffer.alloc(90 * 90 * 3, 255);
  for (let i = 0; i < 90 * 90; i++)
    if (Math.hypot((i % 90) + 0.5 - 30, Math.floor(i / 90) + 0.5 - 30) < 12) disc.fill(0, 3 * i, 3 * i + 3);
  const drawn = () => sharp(disc, { raw: { width: 90, height: 90, channels: 3 } });

  /** Where the dark lies, in shares of the picture. */
  function darkIn(file: Buffer): readonly [x: number, y: number] {
    const { data, width, height } = PNG.sync.read(file);
    let [sum, x, y] = [0, 0, 0];
    for (let i = 0; i < width * height; i++) {
      const dark = 255 - data[4 * i]!;
      sum += dark;
      x += (dark * ((i % width) + 0.5)) / width;
      y += (dark * (Math.floor(i / width) + 0.5)) / height;
    }
    return [x / sum, y / sum];
  }

  const shape = { kind: 'rectangle', box: { cx: 150, cy: 150, width: 300, height: 300 } };

  test.each([
    ['alone', [{ width: 300 }], {}, [1 / 3, 1 / 3]],
    ['beside a smaller one that is reduced', [{ width: 300 }, { name: 's', width: 60 }], {}, [1 / 3, 1 / 3]],
    ['mirrored', [{ width: 300 }], { mirror: true }, [2 / 3, 1 / 3]],
    ['in a wider space of colours', [{ width: 300, profile: 'display-p3' }], {}, [1 / 3, 1 / 3]],
  ])('%s', async (_, outputs, centring, [x, y]) => {
    const source = join(folder, `${Math.random()}.png`);
    await drawn().png().toFile(source);
    const files = await rendered({ shape, outputs, centring }, source);
    for (const { data, width } of files) {
      const dark = darkIn(data);
      expect(Math.abs(dark[0] - x!) * width).toBeLessThan(0.05);
      expect(Math.abs(dark[1] - y!) * width).toBeLessThan(0.05);
    }
  });

  test('turned by its Exif orientation', async () => {
    const source = join(folder, 'turned.jpg');
    await drawn().jpeg({ quality: 100 }).withMetadata({ orientation: 6 }).toFile(source);
    // Orientation 6: the stored left is the top, the stored top the right.
    const [x, y] = darkIn((await rendered({ shape }, source))[0]!.data);
    expect(Math.abs(x - 2 / 3) * 300).toBeLessThan(0.1);
    expect(Math.abs(y - 1 / 3) * 300).toBeLessThan(0.1);
  });
});
