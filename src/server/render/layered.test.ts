/** Working files, opened by readers that are not ours (yauzl, pngjs) and laid together again. */
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DOMParser } from '@xmldom/xmldom';
import { PNG } from 'pngjs';
import { fromBufferPromise, type Entry } from 'yauzl';
import { NO_MEANS } from '../../core/checks';
import { parseTemplate } from '../../core/template';
import { inspectPhoto } from '../intake';
import { plateCache } from './pool';
import { shareTemplate } from './shared-template';
import { plateTask, renderTask } from './task';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-layered-'));
const DEMO = 'demo/photos/products';
const MUG = 'celadon-mug-01.jpg';

async function rendered(fields: object, names: readonly string[] = [MUG]) {
  const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 220, height: 220 }, outputs: [{ name: 'a', format: 'ora' }, { name: 'b' }], ...fields }); // prettier-ignore
  const shared = shareTemplate(template, null, NO_MEANS, {});
  const plates = plateCache({ plate: plateTask }, template, shared);
  const targets = await Promise.all(
    template.outputs.map(async (output, i) => ({ output: i, plate: await plates.of(output), path: join(folder, `${Math.random()}-${i}`) })), // prettier-ignore
  );
  const words = { photo: MUG, batch: '', index: 1 };
  const photos = await Promise.all(names.map(async (name, slot) => ({ source: `${DEMO}/${name}`, photo: { ...(await inspectPhoto(`${DEMO}/${name}`)), name, words, ...(names.length > 1 && { slot }) } }))); // prettier-ignore
  await renderTask({ photos, words, template: shared, targets, widest: await plates.widest() });
  return targets.map(({ path }) => readFileSync(path));
}

/** The file's entries in their order, and how each is kept: 0 for as it is. */
async function entriesOf(data: Buffer): Promise<{ name: string; method: number; bytes: Buffer }[]> {
  const zip = await fromBufferPromise(data);
  const found: { name: string; method: number; bytes: Buffer }[] = [];
  for await (const entry of zip.eachEntry() as AsyncIterable<Entry>) {
    const chunks: Buffer[] = [];
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
    found.push({ name: entry.fileName, method: entry.compressionMethod, bytes: Buffer.concat(chunks) });
  }
  return found;
}

async function opened(data: Buffer) {
  const entries = await entriesOf(data);
  const bytesOf = (name: string) => entries.find((entry) => entry.name === name)!.bytes;
  const xml = new DOMParser().parseFromString(bytesOf('stack.xml').toString(), 'text/xml');
  const layers = [...xml.getElementsByTagName('layer')].map((layer) => {
    const said = (name: string) => layer.getAttribute(name)!;
    return { name: said('name'), x: Number(said('x')), y: Number(said('y')), op: said('composite-op'), png: PNG.sync.read(bytesOf(said('src'))) }; // prettier-ignore
  });
  const merged = PNG.sync.read(bytesOf('mergedimage.png'));
  const image = xml.documentElement!;
  return { entries, layers, merged, image };
}

type Opened = Awaited<ReturnType<typeof opened>>;

/** Modes of §9.1 of one channel, 0…1. */
const MODES: Readonly<Record<string, (below: number, above: number) => number>> = {
  'svg:src-over': (_, above) => above,
  'svg:multiply': (below, above) => below * above,
  'svg:screen': (below, above) => below + above - below * above,
};

/** Layer by layer (W3C Compositing 1 §9): premultiplied r, g, b and alpha, 0…255. */
function together({ layers, merged: { width, height } }: Opened): Float64Array {
  const sum = new Float64Array(width * height * 4);
  for (const { x, y, op, png } of [...layers].reverse())
    for (let row = 0; row < png.height; row++)
      for (let column = 0; column < png.width; column++) {
        const k = (row * png.width + column) * 4;
        const at = ((y + row) * width + x + column) * 4;
        const alpha = png.data[k + 3]! / 255;
        const under = sum[at + 3]! / 255;
        for (let c = 0; c < 3; c++) {
          const below = under > 0 ? sum[at + c]! / 255 / under : 0;
          const own = png.data[k + c]! / 255;
          const mixed = (1 - under) * own + under * MODES[op]!(below, own);
          sum[at + c] = mixed * 255 * alpha + sum[at + c]! * (1 - alpha);
        }
        sum[at + 3] = alpha * 255 + sum[at + 3]! * (1 - alpha);
      }
  return sum;
}

function differences(file: Opened, png: Buffer) {
  const { data } = PNG.sync.read(png);
  const sum = together(file);
  let [largest, all] = [0, 0];
  for (let k = 0; k < sum.length; k += 4)
    for (let c = 0; c < 4; c++) {
      const wanted = c === 3 ? data[k + 3]! : (data[k + c]! * data[k + 3]!) / 255;
      const off = Math.abs(sum[k + c]! - wanted);
      largest = Math.max(largest, off);
      all += off;
    }
  return { largest, mean: all / sum.length };
}

const border = { width: 14, align: 'centre', paint: '#24594f' };
const finish = {
  shape: { kind: 'star', box: { cx: 110, cy: 110, width: 180, height: 180 } },
  backdrop: { kind: 'linear', angle: 40, stops: [[0, '#ffffff'], [1, '#8899aa']] }, // prettier-ignore
  borders: [border, { width: 3, align: 'inside', gap: 4, paint: '#ffffff80' }],
  shadows: [{ y: 5, blur: 8, opacity: 0.5 }],
  captions: [{ text: 'Celadon', size: 22, at: [110, 200] }],
};

const CASES: [string, object][] = [
  ['a plain circle', {}],
  ['borders, shadow, ground and words', finish],
  ['a soft edge with a reflection', { edge: { feather: 9 }, borders: [{ ...border, paint: '#a0502080' }], reflection: { length: 0.4 } }], // prettier-ignore
  ['a colour over all, with a hole through everything', { ...finish, before: [{ show: 'paint', paint: '#ffffff60' }, { show: 'hole', shape: { kind: 'circle', box: { cx: 90, cy: 120, width: 60, height: 60 } } }] }], // prettier-ignore
  ['a window', { ...finish, mode: 'window', borders: [border] }],
  ['the photo again behind and on top', { ...finish, behind: [{ blur: 20 }], before: [{ show: 'photo', place: { cx: 180, cy: 180, width: 60, height: 60 }, opacity: 0.8 }] }], // prettier-ignore
  ['layers mixed by modes, one of them tinted, and a set on them', { ...finish, captions: [], before: [{ show: 'paint', paint: '#ffcc8080', tint: { paint: '#0000ff', blend: 'multiply', opacity: 0.3 } }, { show: 'paint', paint: '#d0806090', blend: 'multiply', shape: { kind: 'circle', box: { cx: 90, cy: 120, width: 120, height: 120 } } }, { show: 'paint', paint: '#204080', set: 'a' }, { show: 'photo', opacity: 0.5, set: 'a' }], sets: [{ name: 'a', opacity: 0.4, blend: 'screen' }] }], // prettier-ignore
  ['a hole through everything below a mixed layer', { ...finish, captions: [], before: [{ show: 'hole', shape: { kind: 'circle', box: { cx: 90, cy: 120, width: 60, height: 60 } } }, { show: 'paint', paint: '#d0806090', blend: 'multiply' }] }], // prettier-ignore
  ['echoes and a relief', { borders: [{ ...border, relief: {}, echo: { count: 3, angle: 9, lies: 'behind' } }] }],
];

test.each(CASES)('%s: the layers together are the picture', async (_, fields) => {
  const [ora, png] = await rendered(fields);
  const file = await opened(ora!);
  expect(file.merged.data.equals(PNG.sync.read(png!).data)).toBe(true);
  const { largest, mean } = differences(file, png!);
  expect(largest).toBeLessThanOrEqual(4);
  // Each layer is rounded to 8 bits.
  expect(mean).toBeLessThan(0.3);
});

test('the file is what the form says: its type first and as it is, every layer named, a small picture', async () => {
  const [ora] = await rendered(finish);
  const { entries, layers, image } = await opened(ora!);
  expect(entries[0]).toMatchObject({ name: 'mimetype', method: 0 });
  expect(entries[0]!.bytes.toString()).toBe('image/openraster');
  // So that programs know it by its first bytes.
  expect(ora!.toString('latin1', 30, 54)).toBe('mimetypeimage/openraster');
  expect(layers.map(({ name }) => name)).toEqual(['Captions', 'Borders', 'Photo', 'Shadow', 'Ground']);
  expect(layers.every(({ op }) => op === 'svg:src-over')).toBe(true);
  expect([image.getAttribute('w'), image.getAttribute('h')]).toEqual(['220', '220']);
  const thumbnail = PNG.sync.read(entries.find(({ name }) => name === 'Thumbnails/thumbnail.png')!.bytes);
  expect(Math.max(thumbnail.width, thumbnail.height)).toBeLessThanOrEqual(256);
  // The photo goes on below a border that lies on it.
  const [photo, borders] = ['Photo', 'Borders'].map((name) => layers.find((layer) => layer.name === name)!);
  const alphaAt = ({ x, y, png }: typeof photo & object, px: number, py: number) => png.data[((py - y) * png.width + px - x) * 4 + 3]; // prettier-ignore
  expect(alphaAt(borders!, 110, 24)).toBe(255);
  expect(alphaAt(photo!, 110, 110)).toBe(255);
  expect((await rendered(finish))[0]!.equals(ora!)).toBe(true);
});

test('a trimmed file has its layers where they belong', async () => {
  const outputs = [{ name: 'a', format: 'ora', trim: { room: 7, square: true } }, { name: 'b', trim: { room: 7, square: true } }]; // prettier-ignore
  const [ora, png] = await rendered({ ...finish, backdrop: null, outputs });
  expect(differences(await opened(ora!), png!).largest).toBeLessThanOrEqual(4);
});

test('several photos are layers by their slots', async () => {
  const box = (cx: number) => ({ kind: 'circle', box: { cx, cy: 110, width: 100, height: 100 } });
  const slots = [
    { name: 'left', shape: box(58) },
    { name: 'right', shape: box(160), borders: [border] },
  ];
  const [ora, png] = await rendered({ slots, backdrop: '#eeeeee', before: [{ show: 'hole', shape: box(110) }] }, [MUG, 'copper-plate-05.jpg']); // prettier-ignore
  const file = await opened(ora!);
  expect(file.layers.map(({ name }) => name)).toEqual(['right: Borders', 'right: Photo', 'left: Photo', 'Ground']);
  expect(differences(file, png!).largest).toBeLessThanOrEqual(4);
});

test('a framing alone has no photo in it', async () => {
  const outputs = [
    { name: 'a', format: 'ora', content: 'framing' },
    { name: 'b', content: 'framing' },
  ];
  const [ora, png] = await rendered({ ...finish, outputs });
  const file = await opened(ora!);
  expect(file.layers.map(({ name }) => name)).not.toContain('Photo');
  expect(differences(file, png!).largest).toBeLessThanOrEqual(4);
});

test('more than 25 megapixels are refused with the field', () => {
  expect(() => parseTemplate({ wobrel: 1, name: 'T', outputs: [{ format: 'ora', width: 5200 }] })).toThrow('outputs[0].width: a file of layers of more than 25 megapixels'); // prettier-ignore
});
