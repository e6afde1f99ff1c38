import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { manifestSchema } from '../core/export';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-data-'));
afterAll(() => rmSync(folder, { recursive: true }));
const photos = join(folder, 'photos');
const table = join(folder, 'list.csv');
const template = join(folder, 'template.json');
beforeAll(() => {
  mkdirSync(photos);
  for (const name of ['a', 'b']) copyFileSync('demo/photos/products/slate-mug-07.jpg', join(photos, `${name}.jpg`));
  writeFileSync(template, JSON.stringify({ wobrel: 1, name: 'T', outputs: [{ width: 80, file: '{shelf}/{sku}' }] }));
});

const render = (out: string, data: string) =>
  spawnSync('node', ['bin/wobrel.mjs', 'render', '--template', template, '--out', join(folder, out), '--data', data, photos], { encoding: 'utf8' }); // prettier-ignore

test('a table names files and folders; rows and photos that don’t meet are told', () => {
  writeFileSync(table, 'name,SKU,Shelf\nA.JPG,X1,top/left\nzzz,X9,none\n');
  const { status, stderr } = render('out', table);
  expect([status, stderr]).toEqual([0, `${table}: 1 row names no photo\n${table}: 1 photo has no row\n`]);
  const { items } = manifestSchema.parse(JSON.parse(readFileSync(join(folder, 'out/manifest.json'), 'utf8')));
  expect(items.map(({ file }) => file)).toEqual(['top_left/X1.png', '_.png']);
  expect(items[1]!.findings.find(({ check }) => check === 'field-missing')!.message).toMatch(/^shelf says nothing/);
  expect(existsSync(join(folder, 'out/top_left/X1.png'))).toBe(true);
});

test('a second run into the same folders overwrites nothing', () => {
  const { status } = render('out', table);
  expect(status).toBe(0);
  const { items } = manifestSchema.parse(JSON.parse(readFileSync(join(folder, 'out/manifest.json'), 'utf8')));
  expect(items.map(({ file }) => file)).toEqual(['top_left/X1-2.png', '_-2.png']);
});

test.each([
  ['one that names no photo', () => (writeFileSync(table, 'a,b\n1,2\n'), table), /no column names any of the photos/],
  ['one that is not there', () => join(folder, 'nothing.csv'), /can’t be read/],
  ['a folder', () => folder, /is no file/],
])('%s ends the run before anything is written', (_, data, why) => {
  const { status, stderr } = render('never', data());
  expect(status).toBe(2);
  expect(stderr).toMatch(why);
  expect(existsSync(join(folder, 'never'))).toBe(false);
});

test('fields of a table put photos into the slots of one cutout', () => {
  copyFileSync('demo/photos/products/ochre-tile-48.jpg', join(photos, 'b.jpg'));
  writeFileSync(table, 'file,sku,view\na,X1,front\nb,x1,Side\n');
  const circle = (cx: number) => ({ kind: 'circle', box: { cx, cy: 100, width: 90, height: 90 } });
  const sheet = {
    wobrel: 1,
    name: 'S',
    frame: { width: 200, height: 200 },
    slots: [
      { name: 'front', shape: circle(50) },
      { name: 'side', shape: circle(150) },
    ],
    fill: { by: 'data', group: 'SKU', slot: 'View' },
    outputs: [{ width: 100, file: '{sku}-{photo}' }],
  };
  writeFileSync(template, JSON.stringify(sheet));
  const { status } = render('sheet', table);
  const { items } = manifestSchema.parse(JSON.parse(readFileSync(join(folder, 'sheet/manifest.json'), 'utf8')));
  expect([status, items.map(({ photo, file }) => [photo, file])]).toEqual([0, [['X1', 'X1-X1.png']]]);
  expect(items[0]!.slots!.map(({ slot, photo }) => [slot, photo])).toEqual([
    ['front', join(photos, 'a.jpg')],
    ['side', join(photos, 'b.jpg')],
  ]);
});
