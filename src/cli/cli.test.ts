import { execFileSync, spawn, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { until } from '../core/testing/until';
import sharp from 'sharp';
import { manifestSchema } from '../core/export';
import { madeHeic } from '../server/heic/made-heic';
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

test('what a photo on a busy ground is of is found, by one photo and by threads for many', () => {
  const [scene] = (JSON.parse(readFileSync('test-photos/scenes.json', 'utf8')) as { file: string; box: number[] }[])
    .filter(({ file }) => file === 'scene-325-oatmeal-mug.jpg'); // prettier-ignore
  const photo = `test-photos/scenes/${scene!.file}`;
  const bySubject = write('by-subject.json', JSON.stringify({ wobrel: 1, name: 'S', centring: { rule: 'subject', size: 0.5, gap: 'extend' }, outputs: [{ name: 'tile', width: 120 }] })); // prettier-ignore
  const [l, t, r, b] = scene!.box as [number, number, number, number];
  for (const [name, others] of [
    ['one', []],
    [
      'many',
      [
        MUG,
        BOWL,
        `${MUG}`.replace('celadon-mug-01', 'ochre-mug-31'),
        `${MUG}`.replace('celadon-mug-01', 'cobalt-mug-25'),
      ],
    ],
  ] as const) {
    const out = join(folder, `busy-${name}`);
    expect(run('--template', bySubject, '--out', out, photo, ...others).status).toBe(0);
    const { items } = JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8')) as { items: { photo: string; placement: { scale: number }; subject: { source: string } }[] }; // prettier-ignore
    const { placement, subject } = items.find((item) => item.photo.endsWith(scene!.file))!;
    expect(subject.source).toBe('found');
    // Half of the circle's 960, by the longer side that the generator knows.
    expect(Math.abs((Math.max(r - l, b - t) * placement.scale) / 480 - 1)).toBeLessThan(0.04);
  }
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

const dangling = () => {
  const link = join(folder, 'dangling');
  if (!readdirSync(folder).includes('dangling')) symlinkSync(join(folder, 'nowhere', 'at-all'), link);
  return link;
};

test.each([
  [() => ['--out', folder, MUG], /--template/],
  [() => ['--template', join(folder, 'none.json'), '--out', folder, MUG], /none\.json/],
  [() => ['--template', write('cut.json', '{"wobrel":'), '--out', folder, MUG], /cut\.json: not JSON/],
  [
    () => ['--template', write('later.json', '{"wobrel":1,"name":"x","mode":"hole"}'), '--out', folder, MUG],
    /later\.json: mode: /,
  ],
  [
    () => ['--template', template, '--out', folder, 'no/such/photo.jpg'],
    /no such file or folder: no\/such\/photo\.jpg/,
  ],
  [() => ['--template', template, '--out', template, MUG], /Nothing could be written/],
  [() => ['--template', template, '--out', '', MUG], /names no folder/],
  [() => ['--template', template, '--out', '/proc/wobrel', MUG], /Nothing could be written/],
  [() => ['--template', template, '--out', dangling(), MUG], /Nothing could be written/],
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

describe('whatever lies in the folder, the others are written', () => {
  const box = join(folder, 'mixed');
  const faults = (manifest: string) => manifestSchema.parse(JSON.parse(readFileSync(manifest, 'utf8'))).items.filter(({ error }) => error !== null); // prettier-ignore

  test('a broken photo, a name that isn’t UTF-8, a pipe, a thin photo and a folder that is closed', async () => {
    mkdirSync(join(box, 'closed'), { recursive: true });
    copyFileSync(MUG, join(box, 'a.jpg'));
    writeFileSync(join(box, 'broken.jpg'), 'no photo');
    writeFileSync(Buffer.concat([Buffer.from(`${box}/n`), Buffer.from([0xff, 0xfe]), Buffer.from('.jpg')]), readFileSync(MUG)); // prettier-ignore
    execFileSync('mkfifo', [join(box, 'pipe.jpg')]);
    await sharp({ create: { width: 600, height: 2, channels: 3, background: '#336699' } }).png().toFile(join(box, 'thin.png')); // prettier-ignore
    const extend = write('extend.json', JSON.stringify({ wobrel: 1, name: 'E', centring: { gap: 'extend' }, outputs: [{ width: 60 }] })); // prettier-ignore
    const out = join(folder, 'mixed-out');
    const { status, stderr } = run('--template', extend, '--out', out, box);
    expect(status).toBe(1);
    expect(stderr).not.toMatch(/\bat .*:\d+:\d+/);
    expect(faults(join(out, 'manifest.json')).map(({ photo, error }) => [photo.split('/').pop(), error])).toEqual([
      ['broken.jpg', expect.stringContaining('looks like a text file')],
      [expect.stringMatching(/^n.*\.jpg$/), 'The file is gone.'],
    ]);
    expect(readdirSync(out).sort()).toEqual(['a-tile.png', 'manifest.json', 'thin-tile.png']);
  });

  test('HEIC photos are developed for as long as the run takes', () => {
    const heic = join(folder, 'heic');
    mkdirSync(join(heic, 'temporary'), { recursive: true });
    writeFileSync(join(heic, 'IMG_1.HEIC'), madeHeic());
    writeFileSync(join(heic, 'unnamed'), madeHeic({ turned: 2 }));
    writeFileSync(join(heic, 'cut.heic'), madeHeic().subarray(0, 1500));
    const out = join(folder, 'heic-out');
    const env = { ...process.env, TMPDIR: join(heic, 'temporary') };
    const { status } = spawnSync('node', ['bin/wobrel.mjs', 'render', '--template', template, '--out', out, heic], { env }); // prettier-ignore
    expect(status).toBe(1);
    expect(faults(join(out, 'manifest.json'))).toMatchObject([{ photo: join(heic, 'cut.heic'), error: 'The file is broken or cut short.' }]); // prettier-ignore
    expect(readdirSync(out).sort()).toEqual(['IMG_1-mail.jpg', 'IMG_1-tile.png', 'manifest.json', 'unnamed-mail.jpg', 'unnamed-tile.png']); // prettier-ignore
    expect(readdirSync(join(heic, 'temporary'))).toEqual([]);
  });

  test('photos of a folder come in the order of their names, where a number counts as one', async () => {
    const numbered = join(folder, 'numbered');
    mkdirSync(numbered);
    for (const name of ['tile 10.png', 'tile 9.png', 'Tile 1.png'])
      await sharp({ create: { width: 90, height: 90, channels: 3, background: '#336699' } }).png().toFile(join(numbered, name)); // prettier-ignore
    const count = write(
      'count.json',
      JSON.stringify({ wobrel: 1, name: 'C', outputs: [{ width: 60, file: '{index}' }] }),
    );
    run('--template', count, '--out', join(folder, 'numbered-out'), numbered);
    const { items } = manifestSchema.parse(
      JSON.parse(readFileSync(join(folder, 'numbered-out', 'manifest.json'), 'utf8')),
    );
    expect(items.map(({ photo, file }) => [photo.split('/').pop(), file])).toEqual([['Tile 1.png', '0001.png'], ['tile 9.png', '0002.png'], ['tile 10.png', '0003.png']]); // prettier-ignore
  });

  test('a pipe that is named is no photo, and is not waited for', () => {
    const { status } = run(
      '--template',
      template,
      '--out',
      join(folder, 'piped'),
      join(box, 'pipe.jpg'),
      '/dev/zero',
      MUG,
    );
    expect(status).toBe(1);
    expect(faults(join(folder, 'piped', 'manifest.json')).map(({ error }) => error)).toEqual(Array(2).fill('It is no file.')); // prettier-ignore
  });

  test('doubles are told in the manifest', async () => {
    const out = join(folder, 'doubles');
    const again = join(folder, 'again.jpg');
    await sharp(MUG).jpeg({ quality: 70 }).toFile(again);
    run('--template', template, '--out', out, MUG, again, BOWL);
    const { items } = manifestSchema.parse(JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8')));
    const twins = items.filter(({ findings }) => findings.some(({ check }) => check === 'twin'));
    expect(twins.map(({ photo }) => photo)).toEqual([again, again]);
  });
});

test('a template with a byte order mark is read', () => {
  const marked = write('bom.json', `\uFEFF${JSON.stringify({ wobrel: 1, name: 'B', outputs: [{ width: 60 }] })}`);
  expect(run('--template', marked, '--out', join(folder, 'bom'), MUG).status).toBe(0);
});

test('names that objects have by themselves are no fields of file names', () => {
  const file = '{toString}{__proto__}{photo}';
  const named = write('proto.json', JSON.stringify({ wobrel: 1, name: 'P', outputs: [{ width: 60, file }] }));
  const out = join(folder, 'proto');
  expect(run('--template', named, '--out', out, MUG).status).toBe(0);
  expect(readdirSync(out).sort()).toEqual(['manifest.json', '{toString}{__proto__}celadon-mug-01.png']);
});

test('two runs into one folder at a time: the second is refused, and nothing is overwritten', async () => {
  const out = join(folder, 'shared');
  const many = Array.from({ length: 12 }, () => MUG);
  const first = spawn('node', ['bin/wobrel.mjs', 'render', '--template', template, '--out', out, ...many]);
  const over = new Promise<number | null>((resolve) => first.on('exit', resolve));
  await until(() => existsSync(join(out, '.wobrel-run')) || first.exitCode !== null);
  const { status, stderr } = run('--template', template, '--out', out, BOWL);
  expect([status, stderr]).toEqual([2, `Another run is writing into ${out} at the moment.\n`]);
  expect(await over).toBe(0);
  expect(readdirSync(out)).not.toContain('.wobrel-run');
  // A claim that a killed run has left holds nobody back.
  writeFileSync(join(out, '.wobrel-run'), '999999999');
  expect(run('--template', template, '--out', out, BOWL).status).toBe(0);
});

describe('pictures that come along in a template’s file', () => {
  const mark = sharp({ create: { width: 20, height: 20, channels: 4, background: '#ff0000' } })
    .png()
    .toBuffer();
  const withPicture = async (name: string, pictures: (sum: string, data: string) => unknown) => {
    const data = await mark;
    const document = { wobrel: 1, name: 'Mark', before: [{ picture: sha256Of(data) }], outputs: [{ width: 60 }] };
    return write(name, JSON.stringify({ ...document, pictures: pictures(sha256Of(data), data.toString('base64')) }));
  };

  test('are drawn', async () => {
    const out = join(folder, 'marked');
    const file = await withPicture('marked.json', (sum, data) => ({ [sum]: data }));
    expect(run('--template', file, '--out', out, MUG)).toMatchObject({ status: 0, stderr: '' });
    const pixels = await sharp(join(out, 'celadon-mug-01-tile.png')).raw().toBuffer();
    expect([...pixels.subarray(0, 4)]).toEqual([255, 0, 0, 255]);
  });

  test.each([
    ['missing', () => ({}), 'before[0].picture: the file does not hold this picture'],
    ['of another sum', (sum: string) => ({ [sum]: 'AAAA' }), 'another file’s sum'],
    ['no base64', (sum: string) => ({ [sum]: '%' }), 'pictures: expected base64 files by their SHA-256'],
    ['a list', () => [1], 'pictures: expected base64 files by their SHA-256'],
  ])('%s: status 2 and one line', async (name, pictures, line) => {
    const file = await withPicture(`${name}.json`, pictures);
    const { status, stderr } = run('--template', file, '--out', join(folder, name), MUG);
    expect(status).toBe(2);
    expect(stderr).toContain(line);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(existsSync(join(folder, name))).toBe(false);
  });
});
