import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { manifestSchema } from '../core/export';
import { sha256Of } from '../server/store';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-cli-'));
afterAll(() => rmSync(folder, { recursive: true }));

const write = (name: string, content: string) => {
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};
const template = write(
  'round.json',
  JSON.stringify({ wobrel: 1, name: 'Round', outputs: [{ width: 120 }, { name: 'mail', format: 'jpeg', width: 60 }] }),
);
const run = (...args: string[]) => spawnSync('node', ['bin/wobrel.mjs', 'render', ...args], { encoding: 'utf8' });

const MUG = 'demo/photos/products/celadon-mug-01.jpg';
const BOWL = 'demo/photos/products/turquoise-bowl-02.jpg';

test('all done: status 0, the files and a manifest that matches them', async () => {
  const out = join(folder, 'good');
  const { status, stdout } = run('--template', template, '--out', out, MUG, BOWL);
  expect({ status, stdout }).toEqual({ status: 0, stdout: `4 files written to ${out}\n` });
  const manifest = manifestSchema.parse(JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8')));
  expect(manifest.template).toBe('Round');
  expect(manifest.items.map((item) => item.file).sort()).toEqual(
    readdirSync(out)
      .filter((n) => n !== 'manifest.json')
      .sort(),
  );
  for (const item of manifest.items) {
    const data = readFileSync(join(out, item.file!));
    expect([item.bytes, item.sha256]).toEqual([data.length, sha256Of(data)]);
    expect((await sharp(data).metadata()).width).toBe(item.width);
    expect(item.placement).toMatchObject({ angle: 0, x: 540, y: 540 });
    // The placed photo covers the shape of 960 units exactly, by its shorter side.
    const { autoOrient } = await sharp(item.photo).metadata();
    expect(item.placement!.scale * Math.min(autoOrient.width, autoOrient.height)).toBeCloseTo(960, 3);
  }
  expect(
    manifest.items.filter((i) => i.output === 'mail').every((i) => i.findings.some((f) => f.check === 'opaque')),
  ).toBe(true);
});

test('a second run into the same folder overwrites nothing', () => {
  const out = join(folder, 'twice');
  run('--template', template, '--out', out, MUG);
  const before = readFileSync(join(out, 'celadon-mug-01-tile.png'));
  writeFileSync(join(out, 'celadon-mug-01-mail.jpg'), 'mine');
  expect(run('--template', template, '--out', out, MUG).status).toBe(0);
  expect(readFileSync(join(out, 'celadon-mug-01-tile.png')).equals(before)).toBe(true);
  expect(readFileSync(join(out, 'celadon-mug-01-mail.jpg'), 'utf8')).toBe('mine');
  expect(readdirSync(out)).toEqual(
    expect.arrayContaining(['celadon-mug-01-tile-2.png', 'celadon-mug-01-mail-2.jpg', 'manifest-earlier-1.json']),
  );
});

test('some photos failed: status 1, the others are written, the failures are items with an error', () => {
  const out = join(folder, 'some');
  const { status, stderr } = run(
    '--template',
    template,
    '--out',
    out,
    'demo/photos/products/price-list.jpg',
    'demo/photos/products/kiln-load-cut-short.jpg',
    MUG,
  );
  expect(status).toBe(1);
  expect(stderr).toMatch(/price-list\.jpg: The file is not a JPEG/);
  const { items } = manifestSchema.parse(JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8')));
  expect(items.map((item) => [item.photo.split('/').pop(), item.error !== null])).toEqual([
    ['price-list.jpg', true],
    ['kiln-load-cut-short.jpg', true],
    ['celadon-mug-01.jpg', false],
    ['celadon-mug-01.jpg', false],
  ]);
  expect(readdirSync(out).sort()).toEqual(['celadon-mug-01-mail.jpg', 'celadon-mug-01-tile.png', 'manifest.json']);
});

test.each([
  [() => ['--out', folder, MUG], /--template/],
  [() => ['--template', join(folder, 'none.json'), '--out', folder, MUG], /none\.json/],
  [() => ['--template', write('cut.json', '{"wobrel":'), '--out', folder, MUG], /cut\.json: not JSON/],
  [
    () => ['--template', write('later.json', '{"wobrel":1,"name":"x","mode":"window"}'), '--out', folder, MUG],
    /later\.json: not supported yet: mode/,
  ],
  [
    () => ['--template', template, '--out', folder, 'no/such/photo.jpg'],
    /no such file or folder: no\/such\/photo\.jpg/,
  ],
  [() => ['--template', template, '--out', template, MUG], /Nothing could be written/],
])('a wrong call: status 2 and one line that says what', (args, line) => {
  const { status, stderr } = run(...args());
  expect(status).toBe(2);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).toMatch(line);
});

test('the same photo and template give the same bytes every time', () => {
  const sums = ['one', 'two'].map((name) => {
    const out = join(folder, name);
    execFileSync('node', ['bin/wobrel.mjs', 'render', '--template', template, '--out', out, BOWL]);
    return sha256Of(readFileSync(join(out, 'turquoise-bowl-02-tile.png')));
  });
  expect(sums[0]).toBe(sums[1]);
});
