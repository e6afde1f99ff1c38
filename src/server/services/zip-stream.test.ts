import { predictLength } from 'client-zip';
import { createReadStream, mkdtempSync, readdirSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipStream } from './zip-stream';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-zip-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** Files of the folder that this process has open. */
const openFiles = () =>
  readdirSync('/proc/self/fd').filter((fd) => {
    try {
      return readlinkSync(`/proc/self/fd/${fd}`).startsWith(folder);
    } catch {
      return false;
    }
  });

test('a zip that nobody takes to its end leaves no file open', async () => {
  const entries = ['a', 'b'].map((name) => {
    const path = join(folder, name);
    writeFileSync(path, Buffer.alloc(5_000_000));
    return { name, size: 5_000_000, lastModified: new Date(0), input: () => createReadStream(path) };
  });
  const reader = zipStream(entries).getReader();
  for (let i = 0; i < 5; i++) expect((await reader.read()).done).toBe(false);
  expect(openFiles()).toHaveLength(1);
  await reader.cancel();
  const deadline = Date.now() + 60_000;
  while (openFiles().length > 0 && Date.now() < deadline) await new Promise((resolve) => setImmediate(resolve));
  expect(openFiles()).toEqual([]);
});

test('of many small files few pieces are given on, the first at once', async () => {
  const entries = Array.from({ length: 500 }, (_, i) => ({
    name: `${i}.txt`,
    size: 3,
    lastModified: new Date(0),
    input: () => 'mug',
  }));
  const lengths: number[] = [];
  for await (const piece of zipStream(entries) as unknown as AsyncIterable<Uint8Array>) lengths.push(piece.length);
  expect(lengths[0]).toBeLessThan(200);
  expect(lengths.length).toBeLessThan(5);
  expect(lengths.reduce((sum, n) => sum + n, 0)).toBe(
    Number(predictLength(entries.map(({ name, size }) => ({ name, size })))),
  );
});
