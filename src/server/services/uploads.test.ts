/** Deliveries on their way to the stand-ins. */
import { eq } from 'drizzle-orm';
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startChannel } from '../../stand-ins/channel';
import type { StandIn } from '../../stand-ins/serve';
import { startWebdav } from '../../stand-ins/webdav';
import { until } from '../../core/testing/until';
import { tables } from '../db';
import { upload } from '../jobs/upload';
import { sha256Of } from '../store';
import { deliveries, photos, uploads } from '.';
import { services, SMALL } from './testing';

const { here, folder, batchWith, run } = services();
const SHORT = { tries: 3, first: 1, longest: 4 };

let dav: StandIn, shop: StandIn;
const kept = (kind: string) => join(folder, kind);
beforeAll(async () => {
  for (const kind of ['dav', 'shop']) mkdirSync(kept(kind));
  dav = await startWebdav({ port: 0, folder: kept('dav') });
  shop = await startChannel({ port: 0, folder: kept('shop'), token: 'key' });
  const all = [
    { name: 'Files', kind: 'webdav', url: dav.url },
    { name: 'Shop', kind: 'channel', url: shop.url, token: 'key' },
  ];
  writeFileSync(join(folder, 'destinations.json'), JSON.stringify({ destinations: all }));
});
afterAll(() => Promise.all([dav.close(), shop.close()]));

const SHELF = { destination: 'Files', folder: '/new/../shelf ', onlyMade: false, replace: false };
const never = new AbortController().signal;

async function delivered(batch: number): Promise<number> {
  const id = await deliveries.startDelivery(here, batch);
  await run(id);
  return id;
}
/** Starts an upload and runs it, as the loop does. */
async function sent(delivery: number, asked: Parameters<typeof uploads.startUpload>[2], stop = never) {
  const id = await uploads.startUpload(here, delivery, asked);
  await upload(here, id, stop, SHORT);
  return progressOf(delivery, id);
}
const progressOf = async (delivery: number, id: number) =>
  (await uploads.uploadsOf(here, delivery)).find((one) => one.id === id)!;
const isWaiting = async (id: number) => (await here.db.select().from(tables.uploadFiles).where(eq(tables.uploadFiles.uploadId, id))).some(({ state }) => state === 'waiting'); // prettier-ignore
const filesIn = (path: string) => readdirSync(path, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()).map(({ name, parentPath }) => join(parentPath, name)); // prettier-ignore
/** What lies in a folder, by what it is called, against a delivery's manifest. */
async function isWhole(delivery: number, path: string): Promise<void> {
  const { items } = await deliveries.manifestOf(here, delivery);
  expect(filesIn(path).sort()).toEqual(items.map(({ file }) => join(path, file!)).sort());
  for (const { file, sha256 } of items) expect(sha256Of(readFileSync(join(path, file!)))).toBe(sha256);
}

test('a delivery is sent once; what is there stays, what has changed takes the place of what came before', async () => {
  const batch = await batchWith(SMALL);
  const first = await delivered(batch);
  expect(await sent(first, SHELF)).toMatchObject({ fileCount: 3, sent: 3, kept: 0, refused: 0 });
  await isWhole(first, join(kept('dav'), 'new', '_', 'shelf'));
  expect(await sent(first, SHELF)).toMatchObject({ sent: 0, kept: 3 });

  const [one] = (await photos.listPhotos(here, batch, 0, 9)).photos;
  await photos.changePhotos(here, batch, [{ id: one!.id, adjustment: { x: 0.1, y: 0, scale: 1, angle: 0 } }]);
  const second = await delivered(batch);
  expect(await sent(second, { ...SHELF, onlyMade: true })).toMatchObject({ fileCount: 1, sent: 1 });
  await isWhole(second, join(kept('dav'), 'new', '_', 'shelf'));

  // A file that somebody else changed there is theirs.
  const theirs = filesIn(kept('dav'))[0]!;
  writeFileSync(theirs, 'mine');
  const third = await sent(second, SHELF);
  expect(third).toMatchObject({ kept: 2, refused: 1 });
  expect((await uploads.refusedFiles(here, third.id))[0]!.why).toMatch(/did not come from here/);
  expect(readFileSync(theirs, 'utf8')).toBe('mine');
  expect(await sent(second, { ...SHELF, replace: true })).toMatchObject({ sent: 1, kept: 2 });
});

test('a server that fails ends the upload with a sentence; gone on with, it sends only what is missing', async () => {
  const delivery = await delivered(await batchWith(SMALL));
  rmSync(kept('dav'), { recursive: true });
  mkdirSync(kept('dav'));
  const id = await uploads.startUpload(here, delivery, { ...SHELF, folder: '' });
  // One file goes through, then the others never.
  dav.setFault({ kind: 'error', pauseMs: 0 });
  await expect(upload(here, id, never, SHORT)).rejects.toMatchObject({
    code: 'try-later',
    message: expect.stringMatching(/500/),
  });
  dav.setFault({ kind: 'none', pauseMs: 0 });
  const puts = () => dav.changes.filter((change) => change.startsWith('MOVE ')).length;
  const before = puts();
  await upload(here, id, never, SHORT);
  expect(puts() - before).toBe(3);
  await upload(here, id, never, SHORT);
  expect(puts() - before).toBe(3);
  await isWhole(delivery, kept('dav'));
});

test('told to stop it stops, and goes on where it was', async () => {
  const delivery = await delivered(await batchWith(SMALL));
  dav.setFault({ kind: 'slow', pauseMs: 5 });
  const stop = new AbortController();
  const id = await uploads.startUpload(here, delivery, { ...SHELF, folder: 'slow' });
  const running = upload(here, id, stop.signal, SHORT).catch(() => {});
  await until(async () => dav.changes.some((change) => change.includes('slow')));
  stop.abort();
  await running;
  dav.setFault({ kind: 'none', pauseMs: 0 });
  await upload(here, id, never, SHORT);
  expect(await isWaiting(id)).toBe(false);
  await isWhole(delivery, join(kept('dav'), 'slow'));
});

test('a channel’s rules are told before, and what they refuse is not sent; the channel itself refuses it, too', async () => {
  const outputs = [{ width: 90 }, { name: 'print', width: 90, format: 'tiff' }, { name: 'Café', width: 90, file: '{photo}-{output}' }]; // prettier-ignore
  const delivery = await delivered(await batchWith(SMALL, { outputs }));
  const asked = { destination: 'Shop', folder: '', onlyMade: false, replace: false };
  const forecast = await uploads.uploadForecast(here, delivery, asked);
  expect([forecast.files, forecast.refusedCount]).toEqual([9, 6]);
  expect(forecast.refused.map(({ why }) => why)).toEqual(
    expect.arrayContaining(['tiff is not taken, only jpeg, png, webp', 'names may not have “C”']),
  );
  expect(await uploads.uploadForecast(here, delivery, { ...asked, folder: 'a' })).toMatchObject({ refusedCount: 9 });
  expect(await sent(delivery, asked)).toMatchObject({ sent: 3, refused: 6 });
  expect(filesIn(kept('shop'))).toHaveLength(3);
  // The rules were right: what they refuse the channel does.
  const { items } = await deliveries.manifestOf(here, delivery);
  const tiff = items.find(({ file }) => file!.endsWith('.tif'))!;
  const answer = await fetch(`${shop.url}/files/${tiff.file}`, {
    method: 'PUT',
    headers: { authorization: 'Bearer key' },
    body: readFileSync(join(here.files.delivery(delivery), tiff.file!)),
  });
  expect([answer.status, (await answer.json()).detail]).toEqual([415, 'Only jpeg, png, webp are taken.']);
});

test('a file that is gone here is refused by itself; the others are sent', async () => {
  const delivery = await delivered(await batchWith(SMALL));
  const { items } = await deliveries.manifestOf(here, delivery);
  rmSync(join(here.files.delivery(delivery), items[1]!.file!));
  const upload = await sent(delivery, { ...SHELF, folder: 'gone' });
  expect(upload).toMatchObject({ sent: 2, refused: 1 });
  expect((await uploads.refusedFiles(here, upload.id))[0]!.why).toMatch(/missing from the delivery’s folder/);
});

test('what is not finished, not there or not a destination is refused', async () => {
  const batch = await batchWith(SMALL.slice(0, 1));
  const waiting = await deliveries.startDelivery(here, batch);
  await expect(uploads.startUpload(here, waiting, SHELF)).rejects.toMatchObject({ code: 'not-done' });
  await expect(uploads.startUpload(here, 999, SHELF)).rejects.toMatchObject({ code: 'not-found' });
  await run(waiting);
  await expect(uploads.startUpload(here, waiting, { ...SHELF, destination: 'Moon' })).rejects.toMatchObject({
    code: 'not-found',
  });
});
