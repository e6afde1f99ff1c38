/** Pages for print, read back by pdf.js and by an XML reader: nothing of ours. */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DOMParser } from '@xmldom/xmldom';
import { PNG } from 'pngjs';
import { eq } from 'drizzle-orm';
import { tables } from '../db';
import { deliveries, printPages } from '.';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();

const query = (fields: object) => printPages.printQuery.parse({ output: 'tile', ...fields });
let delivery: number;
beforeAll(async () => {
  const batch = await batchWith(SMALL, { outputs: [{ width: 120 }, { name: 'tight', width: 90, trim: true }] });
  delivery = await deliveries.startDelivery(here, batch);
  await run(delivery);
});

/** What pdf.js, in a process of its own, makes of the first page. */
function read(data: Uint8Array) {
  const { stdout, stderr } = spawnSync('node', ['scripts/read-pdf.mjs'], { input: data, encoding: 'utf8' });
  if (stdout === '') throw new Error(stderr);
  return JSON.parse(stdout) as {
    pages: number;
    size: number[];
    rects: number[][];
    middles: number[][];
    layers: string[];
    title: string;
  };
}

test('a PDF of exact size: pictures and page are where they were meant to be within 0.01 mm', async () => {
  const { pages, size, rects, middles, layers, title } = read(
    await printPages.printPages(here, delivery, query({ marks: 'cut', width: 60 })),
  );
  expect([pages, title]).toEqual([1, 'Shelf']);
  [210, 297].forEach((mm, i) => expect(Math.abs(size[i]! - mm)).toBeLessThan(0.01));
  expect(layers).toEqual(['Pictures', 'Captions', 'Cut']);
  const [first] = (await deliveries.manifestOf(here, delivery)).items.filter(({ output }) => output === 'tile');
  const { data, width } = PNG.sync.read(readFileSync(join(here.files.delivery(delivery), first!.file!)));
  const at = (60 * width + 60) * 4;
  expect(middles[0]).toEqual([...data.subarray(at, at + 4)]);
  // Two of 60 and a gap of 6 in 210.
  const wanted = [
    [42, 12, 60, 60],
    [108, 12, 60, 60],
    [42, 83, 60, 60],
  ];
  expect(rects).toHaveLength(3);
  rects.forEach((rect, i) => rect.forEach((v, k) => expect(Math.abs(v - wanted[i]![k]!)).toBeLessThan(0.01)));
});

test('an SVG of exact size holds the same, its cut lines in a layer of their own', async () => {
  const svg = Buffer.from(await printPages.printPages(here, delivery, query({ format: 'svg', marks: 'cut', width: 60 }))).toString(); // prettier-ignore
  const document = new DOMParser().parseFromString(svg, 'image/svg+xml');
  const root = document.documentElement!;
  expect([root.getAttribute('width'), root.getAttribute('height'), root.getAttribute('viewBox')]).toEqual(['210mm', '297mm', '0 0 210 297']); // prettier-ignore
  const images = Array.from(document.getElementsByTagName('image'));
  expect(images.map((image) => ['x', 'y', 'width', 'height'].map((name) => Number(image.getAttribute(name))))).toEqual([[42, 12, 60, 60], [108, 12, 60, 60], [42, 83, 60, 60]]); // prettier-ignore
  const { width, data } = PNG.sync.read(Buffer.from(images[0]!.getAttribute('href')!.split(',')[1]!, 'base64'));
  expect([width, data[3]]).toEqual([120, 0]);
  const { items } = await deliveries.manifestOf(here, delivery);
  const delivered = PNG.sync.read(readFileSync(join(here.files.delivery(delivery), items[0]!.file!)));
  const opaque = (pixels: Buffer) => Buffer.from(pixels.filter((_, i) => delivered.data[i | 3] === 255));
  expect(opaque(data).equals(opaque(delivered.data))).toBe(true);
  const layers = Array.from(document.getElementsByTagName('g')).map((g) => g.getAttribute('id'));
  expect(layers).toEqual(['pictures', 'captions', 'cut']);
});

test('one picture of a page holds the same in pixels, its resolution with it', async () => {
  const data = Buffer.from(
    await printPages.printPages(here, delivery, query({ format: 'png', marks: 'cut', width: 60 })),
  );
  const { width, height, data: pixels } = PNG.sync.read(data);
  // A4 at 150 pixels an inch.
  expect([width, height]).toEqual([Math.round((210 / 25.4) * 150), Math.round((297 / 25.4) * 150)]);
  // ISO/IEC 15948 §11.3.5.3: pixels a metre.
  const chunk = data.indexOf('pHYs') + 4;
  expect(Math.abs(data.readUInt32BE(chunk) - 150 / 0.0254)).toBeLessThan(1);
  const at = (x: number, y: number) => [...pixels.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)];
  const px = (mm: number) => Math.round((mm / 25.4) * 150);
  const { items } = await deliveries.manifestOf(here, delivery);
  const delivered = PNG.sync.read(readFileSync(join(here.files.delivery(delivery), items[0]!.file!)));
  const middle = (60 * delivered.width + 60) * 4;
  at(px(42 + 30), px(12 + 30)).forEach((v, i) => expect(Math.abs(v - delivered.data[middle + i]!)).toBeLessThan(12));
  // Around it, where it is clear, the page; below it letters.
  expect([at(px(42.5), px(12.5)), at(5, 5)]).toEqual([[255, 255, 255], [255, 255, 255]]); // prettier-ignore
  const below = Array.from({ length: px(60) * px(5) }, (_, i) => at(px(42) + (i % px(60)), px(72) + Math.floor(i / px(60)))[0]!); // prettier-ignore
  expect(Math.min(...below)).toBeLessThan(60);
});

test.each([
  ['an output that is not there', { output: 'none' }, 'not-found'],
  ['cut lines round what is trimmed', { output: 'tight', marks: 'cut' }, 'invalid'],
  ['a page that is not there', { format: 'svg', page: 2 }, 'not-found'],
  ['a cutout larger than its page', { width: 300 }, 'invalid'],
])('%s is refused', async (_, fields, code) => {
  await expect(printPages.printPages(here, delivery, query(fields))).rejects.toMatchObject({ code });
});

test('more pixels than memory holds are refused, whatever the files', async () => {
  await here.write((tx) => tx.update(tables.deliveryFiles).set({ width: 16_384, height: 16_384 }).where(eq(tables.deliveryFiles.output, 'tight'))); // prettier-ignore
  const pages = (width: number) => printPages.printPages(here, delivery, query({ output: 'tight', width, paper: 'own', pageWidth: 2000, pageHeight: 2000 })); // prettier-ignore
  await expect(pages(1900)).rejects.toMatchObject({ code: 'too-large' });
  await expect(pages(40)).resolves.toBeDefined();
});
