import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseTemplate } from '../core/template';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-template-'));
afterAll(() => rmSync(folder, { recursive: true }));

function file(name: string, content: object | string): string {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync('node', ['bin/wobrel.mjs', 'template', ...args], { encoding: 'utf8' });
  return { status, lines: stdout.trim().split('\n'), stderr: stderr.trim() };
};

const border = { width: 16, paint: '#24594f' };
const tile = file('tile.json', { wobrel: 1, name: 'Tile', borders: [border] });
const wide = file('wide.json', { wobrel: 1, name: 'Tile', borders: [{ ...border, width: 20 }], backdrop: '#ffffff' });

test('check says what each file holds, or where it is wrong, and goes on', () => {
  const wrong = file('wrong.json', { wobrel: 1, name: 'W', edge: { feather: -1 } });
  const broken = file('broken.json', '{');
  const { status, lines } = run('check', tile, wrong, broken);
  expect(status).toBe(2);
  expect(lines[0]).toBe(`${tile}: good: Tile, 1 output`);
  expect(lines[1]).toContain(`${wrong}: edge.feather: `);
  expect(lines[2]).toContain(`${broken}: not JSON`);
  expect(run('check', tile).status).toBe(0);
});

test('diff says in words what changed', () => {
  expect(run('diff', tile, wide)).toMatchObject({
    status: 1,
    lines: ['border: width 16 → 20 px', 'backdrop none → #ffffff'],
  });
  expect(run('diff', tile, tile).status).toBe(0);
  expect(run('diff', tile, join(folder, 'none.json'))).toMatchObject({ status: 2, stderr: expect.stringContaining('can’t be read') }); // prettier-ignore
});

test('upgrade writes all or none, every default filled in, the pictures kept', () => {
  const old = file('old.json', { name: 'Old', wobrel: 1, pictures: { ['a'.repeat(64)]: 'AAAA' } });
  const before = readFileSync(old, 'utf8');
  expect(run('upgrade', old, file('bad.json', { wobrel: 9 })).status).toBe(2);
  expect(readFileSync(old, 'utf8')).toBe(before);
  expect(run('upgrade', old)).toMatchObject({ status: 0, lines: [`${old}: written anew`] });
  const { pictures, ...document } = JSON.parse(readFileSync(old, 'utf8')) as { pictures: object };
  expect(pictures).toEqual({ ['a'.repeat(64)]: 'AAAA' });
  expect(parseTemplate(document)).toEqual(parseTemplate({ wobrel: 1, name: 'Old' }));
  expect(document).toMatchObject({ $schema: expect.any(String), shape: { box: { cx: 540 } } });
});

test('what the template locks that others are made from is refused, and what it opens is not', () => {
  const opens = file('opens.json', { wobrel: 1, name: 'Tile', borders: [border], open: ['captions', 'borders.paint'] });
  const red = file('red.json', { wobrel: 1, name: 'Red', borders: [{ ...border, paint: '#ff0000' }] });
  expect(run('check', '--from', opens, red)).toMatchObject({ status: 0, lines: [`${red}: good: Red, 1 output`] });
  expect(run('check', '--from', opens, red, wide)).toMatchObject({
    status: 2,
    lines: [expect.stringContaining('good'), `${wide}: borders can’t be changed in what is made from Tile, which opens captions, borders: paint`], // prettier-ignore
  });
  expect(run('check', file('odd.json', { wobrel: 1, name: 'Odd', open: 'all' })).lines[0]).toContain('open: expected a list'); // prettier-ignore
  const out = join(folder, 'out');
  const call = ['render', '--template', wide, '--from', opens, '--out', out, 'demo/photos/products/celadon-mug-01.jpg'];
  const { status, stderr } = spawnSync('node', ['bin/wobrel.mjs', ...call], { encoding: 'utf8' });
  expect([status, stderr]).toEqual([2, expect.stringContaining('borders can’t be changed')]);
  expect(existsSync(out)).toBe(false);
  // The locks stay in the file as it is written anew.
  run('upgrade', opens);
  expect((JSON.parse(readFileSync(opens, 'utf8')) as { open: string[] }).open).toEqual(['captions', 'borders.paint']);
});
