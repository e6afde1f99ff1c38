/** A zip of more than 4 GB, read by yauzl: APPNOTE.TXT 6.3.10 §4.3.14 and §4.5.3 (Zip64). */
import { predictLength } from 'client-zip';
import { eq } from 'drizzle-orm';
import { open, truncate } from 'node:fs/promises';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import yauzl from 'yauzl';
import { tables } from '../db';
import { deliveries, zipStream } from '.';
import { services, SMALL } from './testing';

const { here, folder, batchWith, run } = services();

/** More than 32 bits count. */
const HUGE = 2 ** 32 + 12_345;

const ZEROS = Buffer.alloc(1 << 20);

/** Writes a stream, and leaves holes where it is zero; the first chunk's length, and that of all. */
async function writeSparse(
  stream: AsyncIterable<Uint8Array>,
  path: string,
): Promise<{ first: number; length: number }> {
  const file = await open(path, 'w');
  let [first, length] = [0, 0];
  for await (const chunk of stream) {
    first ||= chunk.length;
    const isEmpty = chunk.length <= ZEROS.length && ZEROS.subarray(0, chunk.length).equals(chunk);
    if (!isEmpty) await file.write(chunk, 0, chunk.length, length);
    length += chunk.length;
  }
  await file.truncate(length);
  await file.close();
  return { first, length };
}

type Entry = { readonly name: string; readonly size: number };

/** What an independent reader finds: all entries, and the text of one. */
function read(path: string, wanted: string): Promise<{ entries: Entry[]; text: string }> {
  return new Promise((resolve, reject) => {
    yauzl.open(path, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      const entries: Entry[] = [];
      let text = '';
      zip.on('error', reject);
      zip.on('end', () => resolve({ entries, text }));
      zip.on('entry', (entry: yauzl.Entry) => {
        entries.push({ name: entry.fileName, size: entry.uncompressedSize });
        if (entry.fileName !== wanted) return zip.readEntry();
        zip.openReadStream(entry, (failure, stream) => {
          if (failure) return reject(failure);
          buffer(stream).then((content) => {
            text = content.toString('utf8');
            zip.readEntry();
          }, reject);
        });
      });
      zip.readEntry();
    });
  });
}

test('a file of more than 4 GB, and those behind it, are found where they are', async () => {
  const id = await deliveries.startDelivery(here, await batchWith(SMALL.slice(0, 2)));
  await run(id);
  const [first, second] = (await deliveries.manifestOf(here, id)).items;
  await truncate(join(here.files.delivery(id), first!.file!), HUGE);
  await here.write(async (tx) => void (await tx.update(tables.deliveryFiles).set({ bytes: HUGE }).where(eq(tables.deliveryFiles.file, first!.file!)))); // prettier-ignore

  const entries = await deliveries.zipEntries(here, id);
  const path = join(folder, 'huge.zip');
  const written = await writeSparse(zipStream(entries), path);
  expect(written.length).toBe(Number(predictLength(entries.map(({ name, size }) => ({ name, size })))));
  // It begins with the first file's name, before anything of the file has been read.
  expect(written.first).toBeLessThan(200);

  const found = await read(path, 'manifest.json');
  expect(found.entries.map(({ name, size }) => [name, size])).toEqual([
    [first!.file, HUGE],
    [second!.file, second!.bytes],
    ['sha256sums.txt', expect.any(Number)],
    ['manifest.json', expect.any(Number)],
  ]);
  expect(JSON.parse(found.text).items).toHaveLength(2);
});
