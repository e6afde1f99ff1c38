import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import jpeg from 'jpeg-js';
import sharp from 'sharp';
import { outsideOf, placer } from '../../core/placement';
import { compile } from '../../core/plate';
import { parseTemplate } from '../../core/template';
import { inspectPhoto } from '../intake';
import { sha256Of, writeWhole } from '../store';
import { asWriteError } from '../store/files';
import { matteOf } from './matte';
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
    plate: compile(template, output.width, matteOf(output)),
    path: join(folder, `${Math.random()}-${i}`),
  }));
  const files = await renderPhoto({
    source,
    photo,
    placement: placer(template)(photo),
    outside: outsideOf(template, null),
    frame: template.frame,
    targets,
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
