import { expect, test } from './test';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { manifestSchema } from '../src/core/export';
import type { DeliveryProgress, UploadProgress } from '../src/server/services';
import { startWebdav } from '../src/stand-ins/webdav';
import { flatPhoto, noisePhoto } from './photos';
import { pictureNames } from './exports';
import { clearAway, kill, OWN_ADDRESS, ownFolder, start, startInVain } from './own-server';
import { unzip } from './zip';

async function call<T>(path: string, method = 'GET', body?: unknown): Promise<T> {
  const json = body !== undefined && !(body instanceof FormData);
  const response = await fetch(OWN_ADDRESS + path, {
    method,
    headers: json ? { 'content-type': 'application/json' } : undefined,
    body: json ? JSON.stringify(body) : body,
  });
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** A batch of `count` different photos with one output; the number of the batch. */
async function batchOf(count: number): Promise<number> {
  const { id } = await call<{ id: number }>('/api/batches', 'POST', { name: 'Fault' });
  const body = new FormData();
  for (let i = 0; i < count; i++) {
    const { buffer } = await flatPhoto('', `hsl(${i * 7}, 50%, 50%)`, 700 + i, 600);
    body.append('photo', new Blob([new Uint8Array(buffer)]), `photo-${i}.png`);
  }
  await call(`/api/batches/${id}/photos`, 'POST', body);
  return id;
}

const progress = async (id: number) => (await call<{ progress: DeliveryProgress }>(`/api/deliveries/${id}`)).progress;

/** The manifest in a delivery's zip, and all that is in it. */
async function manifestIn(id: number) {
  const zip = await fetch(`${OWN_ADDRESS}/api/deliveries/${id}/zip`);
  const files = await unzip(Buffer.from(await zip.arrayBuffer()));
  return { files, ...manifestSchema.parse(JSON.parse(files.get('manifest.json')!.toString())) };
}

test.afterEach(clearAway);

test('killed in the middle of an export and started again, it ends with every file whole, each once', async () => {
  const data = ownFolder();
  await start(data);
  const batch = await batchOf(40);
  const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(id)).filesDone, { intervals: [20] }).toBeGreaterThan(4);
  await kill();
  const folder = join(data, 'deliveries', String(id));
  const finished = readdirSync(folder).filter((name) => name.endsWith('.png'));
  expect(finished.length).toBeGreaterThan(4);
  expect(finished.length).toBeLessThan(40);
  // A finished file is not made again: this mark would be written over.
  const marked = join(folder, finished[0]!);
  const mark = readFileSync(marked);
  mark[mark.length - 1]! ^= 1;
  writeFileSync(marked, mark);

  await start(data);
  await expect.poll(async () => (await progress(id)).state, { timeout: 60_000 }).toBe('done');
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  const { files, items } = await manifestIn(id);
  expect(new Set(items.map((item) => item.photo)).size).toBe(40);
  expect(pictureNames(files)).toHaveLength(40);
  for (const item of items) {
    const bytes = files.get(item.file!)!;
    expect(item.error).toBeNull();
    if (item.file === finished[0]) {
      expect(bytes.equals(mark)).toBe(true);
      continue;
    }
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(item.sha256);
    expect((await sharp(bytes).stats()).channels).toHaveLength(4);
  }
});

test('killed in the middle of an upload and started again, every file is there once, whole', async () => {
  const data = ownFolder();
  const kept = ownFolder();
  const dav = await startWebdav({ port: 0, folder: kept });
  try {
    writeFileSync(join(data, 'destinations.json'), JSON.stringify({ destinations: [{ name: 'Archive', kind: 'webdav', url: dav.url }] })); // prettier-ignore
    await start(data);
    const batch = await batchOf(30);
    const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
    await expect.poll(async () => (await progress(id)).state, { timeout: 60_000 }).toBe('done');
    const arrived = () => dav.changes.filter((change) => change.startsWith('MOVE ')).length;
    // So slow that it is killed while files are on their way.
    dav.setFault({ kind: 'slow', pauseMs: 400 });
    await call(`/api/deliveries/${id}/uploads`, 'POST', { destination: 'Archive', folder: 'shelf' });
    await expect.poll(arrived, { intervals: [20] }).toBeGreaterThan(4);
    await kill();
    dav.setFault({ kind: 'none', pauseMs: 0 });
    expect(arrived()).toBeLessThan(30);

    await start(data);
    const upload = async () => (await call<{ uploads: UploadProgress[] }>(`/api/deliveries/${id}/uploads`)).uploads[0]!;
    await expect.poll(async () => (await upload()).state, { timeout: 60_000 }).toBe('done');
    const { sent, kept: before, refused } = await upload();
    expect([sent + before, refused]).toEqual([30, 0]);
    // Moved into place once each: what had arrived was not sent again.
    expect(arrived()).toBe(30);
    const { items } = await manifestIn(id);
    expect(readdirSync(join(kept, 'shelf')).sort()).toEqual(items.map(({ file }) => file!).sort());
    for (const { file, sha256 } of items)
      expect(
        createHash('sha256')
          .update(readFileSync(join(kept, 'shelf', file!)))
          .digest('hex'),
      ).toBe(sha256);
  } finally {
    await dav.close();
  }
});

test('a photo whose file broke since it came is told of alone, also where a page asked for a trial before: the others are written', async () => {
  const data = ownFolder();
  await start(data);
  const batch = await batchOf(3);
  // What pages ask for begins the threads that exports go through later.
  await call(`/api/batches/${batch}/trial?output=0`);
  const { photos } = await call<{ photos: { sha256: string }[] }>(`/api/batches/${batch}/photos`);
  const [, { sha256 }] = photos as [unknown, { sha256: string }];
  writeFileSync(join(data, 'photos', sha256.slice(0, 2), sha256), 'no photo');
  const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(id)).state).toBe('done');
  expect(await progress(id)).toMatchObject({ filesDone: 2, photosFailed: 1 });
  const { items } = await manifestIn(id);
  expect(items.filter(({ error }) => error !== null)).toMatchObject([{ photo: 'photo-1.png' }]);
});

test('a folder that can’t be written to ends the export with a sentence, and it can go on afterwards', async () => {
  const data = ownFolder();
  await start(data);
  const batch = await batchOf(3);
  // A file where the folder of deliveries should be.
  writeFileSync(join(data, 'deliveries'), '');
  const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(id)).state).toBe('failed');
  expect((await progress(id)).message).toMatch(/^Nothing could be written to .*deliveries/);
  rmSync(join(data, 'deliveries'));
  await call(`/api/deliveries/${id}/resume`, 'POST');
  await expect.poll(async () => (await progress(id)).state).toBe('done');
  expect((await progress(id)).filesDone).toBe(3);
});

test('a disk that takes no more ends the export with a sentence, and no half file is left', async () => {
  const data = ownFolder();
  await start(data, 4096);
  const { id: batch } = await call<{ id: number }>('/api/batches', 'POST', { name: 'Full' });
  const body = new FormData();
  const noise = await noisePhoto('noise.jpg', 1600, 1600);
  body.append('photo', new Blob([new Uint8Array(noise.buffer)]), noise.name);
  await call(`/api/batches/${batch}/photos`, 'POST', body);
  const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(id)).state).toBe('done');
  expect((await progress(id)).photosFailed).toBe(0);
  // As PNG of 3000 px the noise has some 20 MB.
  const { template, revision } = await call<{ template: object; revision: number }>(`/api/batches/${batch}`);
  const outputs = [{ name: 'large', width: 3000 }];
  await call(`/api/batches/${batch}/draft`, 'PUT', { template: { ...template, outputs }, revision });
  const large = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(large.id)).state, { timeout: 60_000 }).toBe('failed');
  expect((await progress(large.id)).message).toMatch(
    /^Nothing could be written to .*: the file is larger than the disk takes\.$/,
  );
  expect(readdirSync(join(data, 'deliveries', String(large.id)))).toEqual([]);
});

test('a cancelled export keeps what is done and goes on from there', async () => {
  await start(ownFolder());
  const batch = await batchOf(30);
  const { id } = await call<{ id: number }>(`/api/batches/${batch}/deliveries`, 'POST');
  await expect.poll(async () => (await progress(id)).filesDone, { intervals: [20] }).toBeGreaterThan(2);
  await call(`/api/deliveries/${id}/cancel`, 'POST');
  await expect.poll(async () => (await progress(id)).state).toBe('cancelled');
  const { filesDone } = await progress(id);
  expect(filesDone).toBeLessThan(30);
  await call(`/api/deliveries/${id}/resume`, 'POST');
  await expect.poll(async () => (await progress(id)).state, { timeout: 60_000 }).toBe('done');
  expect((await progress(id)).filesDone).toBe(30);
});

test('a server that can’t work says why in a sentence, and ends', async () => {
  const data = ownFolder();
  await start(data);
  await batchOf(1);
  const second = await startInVain({ WOBREL_DATA: data });
  expect(second).toEqual({ status: 1, said: expect.stringContaining(`Another Wobrel works in ${data}`) });
  // The first one is as it was; killed, it leaves nothing that keeps the next one out.
  expect((await call<{ batches: unknown[] }>('/api/batches')).batches).toHaveLength(1);
  await kill();
  await start(data);
  await kill();

  for (const end of ['-wal', '-shm']) rmSync(join(data, `wobrel.db${end}`), { force: true });
  writeFileSync(join(data, 'wobrel.db'), 'no database any more, but a letter of some length');
  const damaged = `${join(data, 'wobrel.db')} could not be read: the file is damaged, or no database.`;
  expect(await startInVain({ WOBREL_DATA: data })).toEqual({ status: 1, said: expect.stringContaining(damaged) });
});
