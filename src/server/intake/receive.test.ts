import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { WobrelError } from '../../core/errors';
import { seededBytes } from '../../core/testing/photos';
import { sha256Of } from '../store';
import { receiveFiles, type Arrival } from '.';
import { filesIn } from '../store';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-receive-'));
const here = { files: filesIn(folder) };
afterAll(() => rmSync(folder, { recursive: true }));

/** A multipart body as a browser sends it. */
async function bodyOf(files: Record<string, Uint8Array>) {
  const form = new FormData();
  for (const [name, data] of Object.entries(files)) form.append('photo', new Blob([new Uint8Array(data)]), name);
  const { headers, body } = new Response(form);
  return { headers, bytes: new Uint8Array(await new Response(body).arrayBuffer()) };
}

/** The bytes in pieces; `until` breaks the connection off there. */
function streamOf(bytes: Uint8Array, until = bytes.length): ReadableStream<Uint8Array<ArrayBuffer>> {
  let at = 0;
  return new ReadableStream({
    pull(controller) {
      if (at >= until) {
        if (until < bytes.length) controller.error(new Error('connection reset'));
        else controller.close();
        return;
      }
      controller.enqueue(bytes.slice(at, Math.min(at + 40_000, until)));
      at += 40_000;
    },
  });
}

async function received(bytes: Uint8Array, headers: Headers, until?: number) {
  const arrivals: Arrival[] = [];
  const outcome = await receiveFiles(here, { headers, body: streamOf(bytes, until) }, async (arrival) => {
    arrivals.push(arrival);
  }).then(
    () => null,
    (error: unknown) => error,
  );
  return { arrivals, outcome };
}

const FILES = { 'größe.jpg': seededBytes(150_000, 1), 'b.png': seededBytes(90_000, 2), 'empty.jpg': new Uint8Array(0) };

test('every file arrives byte for byte, with its name and the SHA-256 of its content', async () => {
  const { headers, bytes } = await bodyOf(FILES);
  const { arrivals, outcome } = await received(bytes, headers);
  expect(outcome).toBeNull();
  expect(arrivals.map((a) => a.name).sort()).toEqual(['b.png', 'empty.jpg', 'größe.jpg']);
  for (const { name, path, sha256, bytes: length } of arrivals) {
    const sent = FILES[name as keyof typeof FILES];
    expect(Buffer.compare(readFileSync(path), sent)).toBe(0);
    expect([sha256, length]).toEqual([sha256Of(sent), sent.length]);
    rmSync(path);
  }
});

test('where the sender breaks off, whole files are kept and the one in progress is deleted', async () => {
  const { headers, bytes } = await bodyOf(FILES);
  // In the middle of the second file.
  const { arrivals, outcome } = await received(bytes, headers, 200_000);
  expect(outcome).toBeInstanceOf(WobrelError);
  expect(outcome).toMatchObject({ code: 'upload-broken' });
  expect(arrivals.map((a) => a.name)).toEqual(['größe.jpg']);
  expect(readdirSync(here.files.arrivals())).toHaveLength(1);
  rmSync(arrivals[0]!.path);
});

const part = (disposition: string) => `--B\r\nContent-Disposition: form-data; ${disposition}\r\n\r\nhello\r\n`;
const M = 'multipart/form-data; boundary=B';

test.each([
  ['is of another type', 'application/json', '{}', 'Files are sent as multipart/form-data, with a boundary.'],
  ['names no boundary', 'multipart/form-data', part('name="photo"; filename="a.jpg"'), 'Files are sent as multipart/form-data, with a boundary.'], // prettier-ignore
  ['has no file', M, `${part('name="photo"')}--B--\r\n`, 'The upload holds no file: each is a part with a filename.'],
  [
    'has a part without an end',
    M,
    part('name="photo"; filename="a.jpg"'),
    'The upload broke off before it was complete.',
  ],
  ['has a part that can’t be read', M, `${part('name="photo"; filename="a\0.jpg"')}--B--\r\n`, 'The upload is no valid multipart/form-data: files after the fault were not taken.'], // prettier-ignore
])('a body that %s is refused in a sentence (RFC 7578)', async (_, type, body, message) => {
  const { arrivals, outcome } = await received(Buffer.from(body), new Headers({ 'content-type': type }));
  expect([arrivals.length, (outcome as Error).message]).toEqual([0, message]);
});

test('trouble while one file is taken in is told, and the others are still taken', async () => {
  const { headers, bytes } = await bodyOf(FILES);
  const taken: string[] = [];
  const outcome = await receiveFiles(here, { headers, body: streamOf(bytes) }, async ({ name }) => {
    if (name === 'b.png') throw new WobrelError('cannot-write', 'Nothing could be written: the disk is full.');
    taken.push(name);
  }).catch((error: unknown) => error);
  expect(outcome).toMatchObject({ code: 'cannot-write' });
  expect(taken.sort()).toEqual(['empty.jpg', 'größe.jpg']);
});
