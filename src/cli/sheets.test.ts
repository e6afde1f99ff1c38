import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { manifestSchema } from '../core/export';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-sheets-'));
afterAll(() => rmSync(folder, { recursive: true }));

const PHOTOS = {
  'mug-front.jpg': 'celadon-mug-01.jpg',
  'mug-side.jpg': 'turquoise-bowl-02.jpg',
  'jug-side.jpg': 'ochre-tile-48.jpg',
  'odd.jpg': 'slate-mug-07.jpg',
};
const photos = join(folder, 'photos');
beforeAll(() => {
  mkdirSync(photos);
  for (const [name, file] of Object.entries(PHOTOS))
    copyFileSync(join('demo/photos/products', file), join(photos, name));
});

const FRAME = { width: 320, height: 200 };
const FRONT = { shape: { kind: 'circle', box: { cx: 100, cy: 100, width: 150, height: 150 } }, borders: [{ width: 6, paint: '#24594f' }] }; // prettier-ignore
const SIDE = { shape: { kind: 'rectangle', box: { cx: 215, cy: 110, width: 160, height: 120, angle: 8 } }, shadows: [{ x: 4, y: 9, blur: 12, opacity: 0.5 }] }; // prettier-ignore

/** Renders with a template, and reads what came of it. */
function rendered(name: string, fields: object, ...from: string[]) {
  const template = join(folder, `${name}.json`);
  const out = join(folder, name);
  const document = { wobrel: 1, name, frame: FRAME, outputs: [{ width: 320, file: '{photo}' }], ...fields };
  writeFileSync(template, JSON.stringify(document));
  const { status, stderr } = spawnSync('node', ['bin/wobrel.mjs', 'render', '--template', template, '--out', out, ...from], { encoding: 'utf8' }); // prettier-ignore
  const { items } = status === 2 ? { items: [] } : manifestSchema.parse(JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8'))); // prettier-ignore
  return { status, stderr, items, file: (file: string) => join(out, file) };
}

const sheet = (fill: object, more: object = {}) => ({
  slots: [
    { name: 'front', ...FRONT },
    { name: 'side', ...SIDE },
  ],
  fill: { by: 'name', ...fill },
  ...more,
});

test('photos of one name lie in one cutout: what sharp makes of both slots’ own cutouts', async () => {
  const { status, items, file } = rendered('sheet', sheet({}), photos);
  expect(status).toBe(1);
  const made = items.find(({ photo }) => photo === 'mug')!;
  expect(made.slots!.map(({ slot, photo }) => [slot, photo])).toEqual([
    ['front', join(photos, 'mug-front.jpg')],
    ['side', join(photos, 'mug-side.jpg')],
  ]);
  const front = rendered('front', FRONT, join(photos, 'mug-front.jpg')).file('mug-front.png');
  const side = rendered('side', SIDE, join(photos, 'mug-side.jpg')).file('mug-side.png');
  const wanted = await sharp(front)
    .composite([{ input: side }])
    .raw()
    .toBuffer();
  const got = await sharp(file('mug.png')).raw().toBuffer();
  const most = got.reduce((worst, v, i) => {
    const alpha = got[i - (i % 4) + 3]!;
    return Math.max(worst, i % 4 === 3 ? Math.abs(v - wanted[i]!) : (Math.abs(v - wanted[i]!) * alpha) / 255);
  }, 0);
  expect(most).toBeLessThanOrEqual(2);
});

test('a photo that no slot takes, and a group that is not whole, are told; nothing stands in for what is missing', () => {
  const { items } = rendered('skipped', sheet({ missing: 'skip' }), photos);
  expect(items.filter(({ error }) => error !== null).map(({ photo, error }) => [photo, error]).sort()).toEqual([
    [join(photos, 'odd.jpg'), 'no slot takes this photo'],
    ['jug', 'no photo for front'],
  ]); // prettier-ignore
  expect(items.filter(({ file }) => file !== null).map(({ file }) => file)).toEqual(['mug.png']);
  const { items: left } = rendered('left', sheet({}), photos);
  const jug = left.find(({ photo }) => photo === 'jug')!;
  expect(jug.slots!.map(({ photo, placement }) => [photo, placement !== null])).toEqual([[null, false], [join(photos, 'jug-side.jpg'), true]]); // prettier-ignore
  expect(jug.findings.map(({ message }) => message)).toContain('no photo for front');
});

test('the group’s first photo stands in where the template says so', () => {
  const { items } = rendered('repeated', sheet({ missing: 'repeat' }), photos);
  const jug = items.find(({ photo }) => photo === 'jug')!;
  expect(jug.slots!.map(({ photo }) => photo)).toEqual([join(photos, 'jug-side.jpg'), join(photos, 'jug-side.jpg')]);
});

test('a name with a dot in it stays whole in the file’s name', () => {
  const some = join(folder, 'dots');
  mkdirSync(some);
  for (const side of ['front', 'side']) copyFileSync('demo/photos/products/celadon-mug-01.jpg', join(some, `v1.5-${side}.jpg`)); // prettier-ignore
  const { items } = rendered('dotted', sheet({}), some);
  expect(items.map(({ file }) => file)).toEqual(['v1.5.png']);
});

test.each([
  [{ slots: [{ name: 'a' }] }, 'slots[0].shape'],
  [
    {
      slots: [
        { name: 'a', ...FRONT },
        { name: 'A', ...SIDE },
      ],
    },
    'slots[1].name',
  ],
  [{ slots: [{ name: 'a', photo: 'front', ...FRONT }], fill: { by: 'name' } }, 'slots[0].photo'],
  [{ slots: [{ name: 'a', ...FRONT, borders: [{ width: -1 }] }] }, 'slots[0].borders[0].width'],
  [{ slots: [{ name: 'a', shape: { kind: 'path', d: 'M0 0' } }] }, 'slots[0].shape'],
  [{ slots: Array.from({ length: 24 }, (_, i) => ({ name: `${i}`, ...FRONT })), outputs: [{ width: 8000 }] }, 'outputs[0].width'], // prettier-ignore
  [{ slots: [{ name: 'a', ...FRONT }], mode: 'window' }, 'mode'],
  [{ slots: [{ name: 'a', ...FRONT }], behind: [{ show: 'photo' }] }, 'behind[0].show'],
])('%j is refused with the path %s', (fields, path) => {
  const { status, stderr } = rendered('refused', fields, photos);
  expect(status).toBe(2);
  expect(stderr).toContain(`: ${path}`);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});
