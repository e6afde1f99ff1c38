/** A folder on a disk that has no second names for a file, as that of a memory stick. */
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { folder } from './folder';

const link = jest.fn();
jest.mock('node:fs/promises', () => ({
  ...jest.requireActual<object>('node:fs/promises'),
  link: (from: string, to: string) => link(from, to) as unknown,
}));

const root = mkdtempSync(join(tmpdir(), 'wobrel-stick-'));
const away = mkdtempSync(join(tmpdir(), 'wobrel-from-'));
afterAll(() => [root, away].forEach((path) => rmSync(path, { recursive: true })));

const signal = new AbortController().signal;
const source = join(away, 'mug.png');
const bytes = Buffer.from('a whole picture');
writeFileSync(source, bytes);
const sent = { source, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex'), type: 'image/png' }; // prettier-ignore

test.each(['EPERM', 'ENOSYS', 'ENOTSUP', 'EOPNOTSUPP'])(
  'where it says %s a file still arrives whole, and takes no other’s place',
  async (code) => {
    link.mockRejectedValue(Object.assign(new Error('no links'), { code }));
    const way = await folder.open({ path: root });
    const version = await way.put(`${code}/mug.png`, sent, null, signal);
    expect(readFileSync(join(root, code, 'mug.png'))).toEqual(bytes);
    expect(await way.look(`${code}/mug.png`, signal)).toEqual({ bytes: bytes.length, version });

    // Another's file of that name comes to be after it was looked for.
    link.mockImplementationOnce(async (_: string, to: string) => {
      writeFileSync(to, 'theirs');
      throw Object.assign(new Error('no links'), { code });
    });
    await expect(way.put(`${code}/bowl.png`, sent, null, signal)).rejects.toMatchObject({ code: 'changed-there' });
    expect(readFileSync(join(root, code, 'bowl.png'), 'utf8')).toBe('theirs');
    expect(readdirSync(join(root, code)).sort()).toEqual(['bowl.png', 'mug.png']);
  },
);

test('any other trouble with the disk ends it, and leaves nothing', async () => {
  link.mockRejectedValue(Object.assign(new Error('full'), { code: 'ENOSPC' }));
  const way = await folder.open({ path: root });
  await expect(way.put('full/mug.png', sent, null, signal)).rejects.toMatchObject({ code: 'destination-refuses' });
  expect(readdirSync(join(root, 'full'))).toEqual([]);
});
