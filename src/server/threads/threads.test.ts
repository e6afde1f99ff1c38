import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { WobrelError } from '../../core/errors';
import { createThreads } from '.';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-threads-'));
afterAll(() => rmSync(folder, { recursive: true }));

writeFileSync(
  join(folder, 'worker.mjs'),
  `export const add = ({ a, b }) => ({ ok: true, value: a + b });
export const refuse = () => ({ ok: false, code: 'photo-broken', message: 'It is broken.', at: 'a.jpg' });
export const never = () => { for (;;); };
export const fill = () => { const all = []; for (;;) all.push(new Array(100_000).fill({})); };
export const die = () => process.exit(3);
export const throws = () => { throw new TypeError('a fault of ours'); };`,
);

const threads = (seconds = 30) =>
  createThreads({
    worker: 'worker.mjs',
    folder,
    threads: 1,
    seconds,
    megabytes: 64,
    tooMuch: () => new WobrelError('photo-too-much', 'It took too much.'),
  });

test('values come back, refusals as the errors that they were, faults of ours as they are', async () => {
  const pool = threads();
  expect(await pool.run('add', { a: 2, b: 3 })).toBe(5);
  await expect(pool.run('refuse', {})).rejects.toEqual(new WobrelError('photo-broken', 'It is broken.', 'a.jpg'));
  await expect(pool.run('throws', {})).rejects.toThrow('a fault of ours');
  await pool.close();
});

test.each(['never', 'fill', 'die'])(
  'a task that would %s is ended as its own error, and the next one is done',
  async (task) => {
    const pool = threads(task === 'never' ? 0.5 : 30);
    const [lost, next] = [pool.run(task, {}), pool.run('add', { a: 1, b: 1 })];
    await expect(lost).rejects.toMatchObject({ code: 'photo-too-much' });
    expect(await next).toBe(2);
    await pool.close();
  },
);
