/** What lies on the disk, and that nothing which is needed ever goes. */
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { tables } from '../db';
import { digestFile } from '../store';
import { batches, deliveries, photos, storage } from '.';
import { services, SMALL } from './testing';

const { here, folder, batchWith, run } = services();

const filesIn = (path: string) => (existsSync(path) ? readdirSync(path, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()).map(({ name }) => name) : []); // prettier-ignore
const isKept = (sha256: string) => existsSync(here.files.original(sha256));

test('a batch’s photos go with it, but for those that another batch or a delivery needs', async () => {
  const [mug, tile, bowl] = SMALL as [string, string, string];
  const first = await batchWith([mug, tile]);
  const second = await batchWith([tile, bowl]);
  const [mugRow, tileRow] = (await photos.listPhotos(here, first, 0, 9)).photos.sort((a, b) => b.name.localeCompare(a.name)); // prettier-ignore
  expect([mugRow!.name, tileRow!.name]).toEqual([mug, tile]);
  await batches.deleteBatch(here, first);
  const { unneeded } = await storage.storage(here);
  expect(unneeded.files).toBe(3);
  expect(await storage.collectUnneeded(here)).toEqual(unneeded);
  expect([isKept(mugRow!.sha256), existsSync(here.files.proxy(mugRow!.sha256, 512)), isKept(tileRow!.sha256)]).toEqual([
    false,
    false,
    true,
  ]);

  const delivery = await deliveries.startDelivery(here, second);
  await run(delivery);
  await batches.deleteBatch(here, second);
  await storage.collectUnneeded(here);
  // Its deliveries can be made again.
  expect([isKept(tileRow!.sha256), existsSync(here.files.proxy(tileRow!.sha256, 512))]).toEqual([true, false]);
  const again = await deliveries.exportAgain(here, delivery);
  await run(again);
  expect((await deliveries.manifestOf(here, again)).items.map(({ error }) => error)).toEqual([null, null]);

  for (const id of [delivery, again]) await deliveries.removeDelivery(here, id);
  await storage.collectUnneeded(here);
  expect(filesIn(here.files.kept('photos'))).toEqual([]);
  expect(existsSync(here.files.delivery(delivery))).toBe(false);
});

test('many files in one folder are counted and collected, every one', async () => {
  const home = join(here.files.kept('photos'), '00');
  mkdirSync(home, { recursive: true });
  const before = (await storage.storage(here)).originals;
  for (let i = 0; i < 150; i++) writeFileSync(join(home, i.toString(16).padStart(64, '0')), 'x');
  const { originals, unneeded } = await storage.storage(here);
  expect([originals.files - before.files, originals.bytes - before.bytes, unneeded.files]).toEqual([150, 150, 150]);
  expect(await storage.collectUnneeded(here)).toEqual({ files: 150, bytes: 150 });
  expect(filesIn(home)).toEqual([]);
});

test('a removed delivery takes no file from one that took it over, and can’t be removed while it is made', async () => {
  const batch = await batchWith(SMALL);
  const first = await deliveries.startDelivery(here, batch);
  await expect(deliveries.removeDelivery(here, first)).rejects.toMatchObject({ code: 'conflict' });
  await run(first);
  const second = await deliveries.startDelivery(here, batch);
  await run(second);
  expect((await deliveries.deliveryProgress(here, second)).filesTaken).toBe(3);
  // One that waits counts on files that are gone by then: they are made.
  const third = await deliveries.startDelivery(here, batch);
  await deliveries.removeDelivery(here, first);
  await deliveries.removeDelivery(here, second);
  await run(third);
  expect(await deliveries.deliveryProgress(here, third)).toMatchObject({ filesDone: 3, filesTaken: 0 });
  expect(filesIn(here.files.delivery(third))).toHaveLength(3);
  // What it took over before that is its own by now.
  const fourth = await deliveries.startDelivery(here, batch);
  await run(fourth);
  await deliveries.removeDelivery(here, third);
  const left = (await storage.storage(here)).batches.find(({ id }) => id === batch)!;
  expect([left.deliveries, left.delivered]).toEqual([1, { files: 3, bytes: (await deliveries.deliveryProgress(here, fourth)).bytes }]); // prettier-ignore
  await expect(storage.removeBatch(here, batch, true)).resolves.toBeUndefined();
  expect(existsSync(here.files.delivery(fourth))).toBe(false);
});

test('the overview counts each file once, by batch', async () => {
  const batch = await batchWith(SMALL);
  for (let i = 0; i < 2; i++) await run(await deliveries.startDelivery(here, batch));
  const { batches: all, delivered } = await storage.storage(here);
  const own = all.find(({ id }) => id === batch)!;
  const bytes = await Promise.all((await photos.listPhotos(here, batch, 0, 9)).photos.map(({ sha256 }) => digestFile(here.files.original(sha256)))); // prettier-ignore
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
  mkdirSync(here.files.arrivals(), { recursive: true });
  const path = join(here.files.arrivals(), `${n}-${Math.random()}`);
  writeFileSync(path, await sharp({ create: { width: 40, height: 30, channels: 3, background: { r: n * 9, g: 90, b: 30 } } }).png().toBuffer()); // prettier-ignore
  return { name: `p${n}.png`, path, ...(await digestFile(path)), tooLarge: false };
}

/** Bytes of deliveries' files that are on the disk, each once whatever names it has. */
function deliveredOnDisk(): number {
  const found = readdirSync(join(folder, 'deliveries'), { recursive: true, withFileTypes: true }).filter((one) =>
    one.isFile(),
  );
  const files = new Map(found.map(({ parentPath, name }) => statSync(join(parentPath, name))).map(({ ino, size }) => [ino, size])); // prettier-ignore
  return [...files.values()].reduce((sum, size) => sum + size, 0);
}

/** Everything that a batch or a delivery needs is there. */
async function expectWhole(): Promise<void> {
  for (const { sha256 } of await here.db.select().from(tables.photos)) {
    expect(isKept(sha256)).toBe(true);
    expect(existsSync(here.files.proxy(sha256, 512)) && existsSync(here.files.proxy(sha256, 2048))).toBe(true);
  }
  for (const { sha256, slots } of await here.db.select().from(tables.deliveryPhotos))
    for (const sum of [sha256, ...(slots ?? []).flatMap((slot) => (slot ? [slot.sha256] : []))]) expect(isKept(sum)).toBe(true); // prettier-ignore
  for (const { deliveryId, file, sha256 } of await here.db.select().from(tables.deliveryFiles))
    if (sha256) expect(existsSync(join(here.files.delivery(deliveryId), file))).toBe(true);
  expect((await storage.storage(here)).delivered.bytes).toBe(deliveredOnDisk());
}

test('what was taken over counts once, whichever of its deliveries are removed', async () => {
  for (const order of [
    [0, 1, 2],
    [1, 0, 2],
    [1, 2, 0],
    [2, 1, 0],
  ]) {
    // prettier-ignore
    const batch = await batchWith(SMALL.slice(0, 2));
    const ids: number[] = [];
    for (let i = 0; i < 4; i++) {
      ids.push(await deliveries.startDelivery(here, batch));
      await run(ids.at(-1)!);
    }
    for (const i of order) {
      await deliveries.removeDelivery(here, ids[i]!);
      const { batches: all } = await storage.storage(here);
      expect(all.find(({ id }) => id === batch)!.delivered.files).toBe(2);
      await expectWhole();
    }
  }
});

test.each([1, 2, 3])('random deletions (%i), while other things go on, never take what is needed', async (seed) => {
  const roll = dice(seed * 7919);
  const pairs = { kind: 'circle', box: { cx: 300, cy: 300, width: 200, height: 200 } };
  const slots = { slots: [{ name: 'a', shape: pairs }, { name: 'b', shape: { ...pairs, box: { ...pairs.box, cx: 700 } } }], fill: { by: 'order', missing: 'repeat' } }; // prettier-ignore
  const [mine, made]: [number[], number[]] = [[], []];
  const some = (list: number[]) => list[roll(list.length)]!;
  const steps: (() => Promise<unknown>)[] = [
    async () => mine.push(await batchWith([], roll(2) ? slots : {})),
    async () => photos.takePhoto(here, some(mine), await arrivalOf(roll(12))),
    async () => photos.takePhoto(here, some(mine), await arrivalOf(roll(12))),
    async () => {
      const id = await deliveries.startDelivery(here, some(mine));
      made.push(id);
      if (roll(2)) await run(id);
    },
    async () => {
      const [one] = (await photos.listPhotos(here, some(mine), 0, 9)).photos;
      if (one) await photos.removePhotos(here, some(mine), [one.id]);
    },
    async () => batches.deleteBatch(here, mine.splice(roll(mine.length), 1)[0]!),
    async () => deliveries.removeDelivery(here, some(made)),
    async () => storage.collectUnneeded(here),
  ];
  await steps[0]!();
  for (let i = 0; i < 40; i++) {
    // Two at once: what is found by the one may just be taken away by the other.
    await Promise.allSettled([steps[roll(steps.length)]!(), steps[roll(2) ? 7 : roll(steps.length)]!()]);
    if (mine.length === 0) await steps[0]!();
    await expectWhole();
  }
  for (const { id } of await here.db.select().from(tables.batches)) await batches.deleteBatch(here, id);
  const running = await here.db.select({ id: tables.deliveries.id }).from(tables.deliveries);
  for (const { id } of running) {
    await deliveries.cancelDelivery(here, id);
    await deliveries.removeDelivery(here, id);
  }
  await storage.collectUnneeded(here);
  expect([
    ...filesIn(here.files.kept('photos')),
    ...filesIn(here.files.kept('proxies')),
    ...filesIn(join(folder, 'deliveries')),
  ]).toEqual([]);
});

test('a picture that comes back in the moment in which it is collected is kept', async () => {
  const batch = await batchWith([]);
  for (let i = 0; i < 25; i++) {
    const received = await photos.takePhoto(here, batch, await arrivalOf(1));
    if (received.outcome !== 'kept') throw new Error(received.message);
    await photos.removePhotos(here, batch, [received.photo.id]);
    const again = await arrivalOf(1);
    // So many turns of the event loop later: each time at another place of the other's way.
    const collected = async () => {
      for (let turn = 0; turn < i * 3; turn++) await new Promise((resolve) => setImmediate(resolve));
      await storage.collectUnneeded(here);
    };
    await Promise.all([photos.takePhoto(here, batch, again), collected()]);
    await expectWhole();
    await photos.removePhotos(
      here,
      batch,
      (await photos.listPhotos(here, batch, 0, 9)).photos.map(({ id }) => id),
    );
  }
});
