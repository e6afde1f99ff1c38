/** What lies on the disk, and that nothing which is needed ever goes. */
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { database, tables } from '../db';
import { arrivalsFolder, deliveryFolder, digestFile, keptFolder, originalPath, proxyPath } from '../store';
import { batches, deliveries, photos, storage } from '.';
import { services, SMALL } from './testing';

const { folder, batchWith, run } = services();

const filesIn = (path: string) => (existsSync(path) ? readdirSync(path, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()).map(({ name }) => name) : []); // prettier-ignore
const isKept = (sha256: string) => existsSync(originalPath(sha256));

test('a batch’s photos go with it, but for those that another batch or a delivery needs', async () => {
  const [mug, tile, bowl] = SMALL as [string, string, string];
  const first = await batchWith([mug, tile]);
  const second = await batchWith([tile, bowl]);
  const [mugRow, tileRow] = (await photos.listPhotos(first, 0, 9)).photos.sort((a, b) => b.name.localeCompare(a.name)); // prettier-ignore
  expect([mugRow!.name, tileRow!.name]).toEqual([mug, tile]);
  await batches.deleteBatch(first);
  const { unneeded } = await storage.storage();
  expect(unneeded.files).toBe(3);
  expect(await storage.collectUnneeded()).toEqual(unneeded);
  expect([isKept(mugRow!.sha256), existsSync(proxyPath(mugRow!.sha256, 512)), isKept(tileRow!.sha256)]).toEqual([
    false,
    false,
    true,
  ]);

  const delivery = await deliveries.startDelivery(second);
  await run(delivery);
  await batches.deleteBatch(second);
  await storage.collectUnneeded();
  // Its deliveries can be made again.
  expect([isKept(tileRow!.sha256), existsSync(proxyPath(tileRow!.sha256, 512))]).toEqual([true, false]);
  const again = await deliveries.exportAgain(delivery);
  await run(again);
  expect((await deliveries.manifestOf(again)).items.map(({ error }) => error)).toEqual([null, null]);

  for (const id of [delivery, again]) await deliveries.removeDelivery(id);
  await storage.collectUnneeded();
  expect(filesIn(keptFolder('photos'))).toEqual([]);
  expect(existsSync(deliveryFolder(delivery))).toBe(false);
});

test('a removed delivery takes no file from one that took it over, and can’t be removed while it is made', async () => {
  const batch = await batchWith(SMALL);
  const first = await deliveries.startDelivery(batch);
  await expect(deliveries.removeDelivery(first)).rejects.toMatchObject({ code: 'conflict' });
  await run(first);
  const second = await deliveries.startDelivery(batch);
  await run(second);
  expect((await deliveries.deliveryProgress(second)).filesTaken).toBe(3);
  // One that waits counts on files that are gone by then: they are made.
  const third = await deliveries.startDelivery(batch);
  await deliveries.removeDelivery(first);
  await deliveries.removeDelivery(second);
  await run(third);
  expect(await deliveries.deliveryProgress(third)).toMatchObject({ filesDone: 3, filesTaken: 0 });
  expect(filesIn(deliveryFolder(third))).toHaveLength(3);
  // What it took over before that is its own by now.
  const fourth = await deliveries.startDelivery(batch);
  await run(fourth);
  await deliveries.removeDelivery(third);
  const left = (await storage.storage()).batches.find(({ id }) => id === batch)!;
  expect([left.deliveries, left.delivered]).toEqual([1, { files: 3, bytes: (await deliveries.deliveryProgress(fourth)).bytes }]); // prettier-ignore
  await expect(storage.removeBatch(batch, true)).resolves.toBeUndefined();
  expect(existsSync(deliveryFolder(fourth))).toBe(false);
});

test('the overview counts each file once, by batch', async () => {
  const batch = await batchWith(SMALL);
  for (let i = 0; i < 2; i++) await run(await deliveries.startDelivery(batch));
  const { batches: all, delivered } = await storage.storage();
  const own = all.find(({ id }) => id === batch)!;
  const bytes = await Promise.all((await photos.listPhotos(batch, 0, 9)).photos.map(({ sha256 }) => digestFile(originalPath(sha256)))); // prettier-ignore
  expect(own.photos).toEqual({ files: 3, bytes: bytes.reduce((sum, one) => sum + one.bytes, 0) });
  expect([own.deliveries, own.delivered.files, delivered.files]).toEqual([2, 3, 3]);
});

/** A generator of numbers that tells the same every time (Park and Miller 1988). */
function dice(seed: number) {
  let state = seed;
  return (sides: number) => (state = (state * 48271) % 2147483647) % sides;
}

/** A small picture of its own, as it arrives. */
async function arrivalOf(n: number) {
  mkdirSync(arrivalsFolder(), { recursive: true });
  const path = join(arrivalsFolder(), `${n}-${Math.random()}`);
  writeFileSync(path, await sharp({ create: { width: 40, height: 30, channels: 3, background: { r: n * 9, g: 90, b: 30 } } }).png().toBuffer()); // prettier-ignore
  return { name: `p${n}.png`, path, ...(await digestFile(path)), tooLarge: false };
}

/** Everything that a batch or a delivery needs is there. */
async function expectWhole(): Promise<void> {
  for (const { sha256 } of await database().select().from(tables.photos)) {
    expect(isKept(sha256)).toBe(true);
    expect(existsSync(proxyPath(sha256, 512)) && existsSync(proxyPath(sha256, 2048))).toBe(true);
  }
  for (const { sha256, slots } of await database().select().from(tables.deliveryPhotos))
    for (const sum of [sha256, ...(slots ?? []).flatMap((slot) => (slot ? [slot.sha256] : []))]) expect(isKept(sum)).toBe(true); // prettier-ignore
  for (const { deliveryId, file, sha256 } of await database().select().from(tables.deliveryFiles))
    if (sha256) expect(existsSync(join(deliveryFolder(deliveryId), file))).toBe(true);
}

test.each([1, 2, 3])('random deletions (%i), while other things go on, never take what is needed', async (seed) => {
  const roll = dice(seed * 7919);
  const pairs = { kind: 'circle', box: { cx: 300, cy: 300, width: 200, height: 200 } };
  const slots = { slots: [{ name: 'a', shape: pairs }, { name: 'b', shape: { ...pairs, box: { ...pairs.box, cx: 700 } } }], fill: { by: 'order', missing: 'repeat' } }; // prettier-ignore
  const [mine, made]: [number[], number[]] = [[], []];
  const some = (list: number[]) => list[roll(list.length)]!;
  const steps: (() => Promise<unknown>)[] = [
    async () => mine.push(await batchWith([], roll(2) ? slots : {})),
    async () => photos.takePhoto(some(mine), await arrivalOf(roll(12))),
    async () => photos.takePhoto(some(mine), await arrivalOf(roll(12))),
    async () => {
      const id = await deliveries.startDelivery(some(mine));
      made.push(id);
      if (roll(2)) await run(id);
    },
    async () => {
      const [one] = (await photos.listPhotos(some(mine), 0, 9)).photos;
      if (one) await photos.removePhotos(some(mine), [one.id]);
    },
    async () => batches.deleteBatch(mine.splice(roll(mine.length), 1)[0]!),
    async () => deliveries.removeDelivery(some(made)),
    async () => storage.collectUnneeded(),
  ];
  await steps[0]!();
  for (let i = 0; i < 40; i++) {
    // Two at once: what is found by the one may just be taken away by the other.
    await Promise.allSettled([steps[roll(steps.length)]!(), steps[roll(2) ? 7 : roll(steps.length)]!()]);
    if (mine.length === 0) await steps[0]!();
    await expectWhole();
  }
  for (const { id } of await database().select().from(tables.batches)) await batches.deleteBatch(id);
  const running = await database().select({ id: tables.deliveries.id }).from(tables.deliveries);
  for (const { id } of running) {
    await deliveries.cancelDelivery(id);
    await deliveries.removeDelivery(id);
  }
  await storage.collectUnneeded();
  expect([
    ...filesIn(keptFolder('photos')),
    ...filesIn(keptFolder('proxies')),
    ...filesIn(join(folder, 'deliveries')),
  ]).toEqual([]);
});

test('a picture that comes back in the moment in which it is collected is kept', async () => {
  const batch = await batchWith([]);
  for (let i = 0; i < 25; i++) {
    const received = await photos.takePhoto(batch, await arrivalOf(1));
    if (received.outcome !== 'kept') throw new Error(received.message);
    await photos.removePhotos(batch, [received.photo.id]);
    const again = await arrivalOf(1);
    // So many turns of the event loop later: each time at another place of the other's way.
    const collected = async () => {
      for (let turn = 0; turn < i * 3; turn++) await new Promise((resolve) => setImmediate(resolve));
      await storage.collectUnneeded();
    };
    await Promise.all([photos.takePhoto(batch, again), collected()]);
    await expectWhole();
    await photos.removePhotos(
      batch,
      (await photos.listPhotos(batch, 0, 9)).photos.map(({ id }) => id),
    );
  }
});
