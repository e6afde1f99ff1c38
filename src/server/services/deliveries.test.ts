import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { manifestSchema } from '../../core/export';
import { tables } from '../db';
import { digestFile } from '../store';
import { batches, deliveries, photos, templates } from '.';
import { services, SMALL } from './testing';

const { here, arrival, batchWith, begin, run } = services();

describe('deliveries', () => {
  test('every file once, with a manifest that matches what lies in the folder', async () => {
    const id = await batchWith(SMALL, { outputs: [{ width: 60 }, { name: 'mail', format: 'jpeg', width: 40 }] });
    const delivery = await deliveries.startDelivery(here, id);
    await run(delivery);
    const manifest = manifestSchema.parse(await deliveries.manifestOf(here, delivery));
    expect(manifest.items).toHaveLength(6);
    expect((await readdir(here.files.delivery(delivery))).sort()).toEqual(
      manifest.items.map((item) => item.file).sort(),
    );
    for (const item of manifest.items)
      expect(await digestFile(join(here.files.delivery(delivery), item.file!))).toEqual({
        sha256: item.sha256,
        bytes: item.bytes,
      });
    const entries = await deliveries.zipEntries(here, delivery);
    expect(entries.at(-1)!.name).toBe('manifest.json');
    expect(manifestSchema.parse(JSON.parse(entries.at(-1)!.input() as string))).toEqual(manifest);
    // GNU coreutils read the checksums beside the files.
    const sums = entries.find(({ name }) => name === 'sha256sums.txt')!.input() as string;
    const checked = spawnSync('sha256sum', ['-c', '--strict'], { cwd: here.files.delivery(delivery), input: sums, encoding: 'utf8' }); // prettier-ignore
    expect([checked.status, checked.stdout.split('OK').length - 1]).toEqual([0, 6]);
    const first = await text(entries[0]!.input() as never);
    expect(first.length).toBeGreaterThan(100);
  });

  test('two photos of one name get two files', async () => {
    const id = await batches.createBatch(here, 'Names');
    await photos.takePhoto(here, id, await arrival('slate-mug-07.jpg', 'mug.jpg'));
    await photos.takePhoto(here, id, await arrival('ochre-tile-48.jpg', 'mug.png'));
    const { revision } = await batches.batchDetail(here, id);
    await batches.saveDraft(here, id, { wobrel: 1, name: 'T', outputs: [{ width: 30, file: '{photo}' }] }, revision);
    const delivery = await deliveries.startDelivery(here, id);
    await run(delivery);
    expect((await readdir(here.files.delivery(delivery))).sort()).toEqual(['mug-2.png', 'mug.png']);
  });

  test('a group of photos is one file, found again in the manifest slot by slot; chosen by any of them', async () => {
    const id = await batches.createBatch(here, 'Sheets');
    const names = ['mug-front.jpg', 'mug-side.jpg', 'tile-front.jpg'];
    for (const [i, name] of names.entries()) await photos.takePhoto(here, id, await arrival(SMALL[i]!, name));
    const shape = (cx: number) => ({ kind: 'circle', box: { cx, cy: 50, width: 90, height: 90 } });
    const slots = ['front', 'side'].map((name, i) => ({ name, shape: shape(50 + 100 * i), centring: { rule: 'subject', size: 'batch' } })); // prettier-ignore
    const template = { wobrel: 1, name: 'Pair', frame: { width: 200, height: 100 }, slots, fill: { by: 'name' } };
    const { revision } = await batches.batchDetail(here, id);
    await batches.saveDraft(here, id, template, revision);
    const delivery = await deliveries.startDelivery(here, id);
    await run(delivery);
    const { items } = manifestSchema.parse(await deliveries.manifestOf(here, delivery));
    expect(items.map(({ photo, file, slots }) => [photo, file, slots!.map(({ photo }) => photo)])).toEqual([
      ['mug', 'mug-tile.png', ['mug-front.jpg', 'mug-side.jpg']],
      ['tile', 'tile-tile.png', ['tile-front.jpg', null]],
    ]);
    expect(items[1]!.findings).toContainEqual({ check: 'unfilled', value: 1, message: 'no photo for side' });
    const { photos: rows } = await photos.listPhotos(here, id, 0, 10);
    const side = rows.find(({ name }) => name === 'mug-side.jpg')!;
    const some = await deliveries.startDelivery(here, id, [side.id]);
    await run(some);
    expect((await deliveries.manifestOf(here, some)).items.map(({ file }) => file)).toEqual(['mug-tile.png']);
    const one = join(here.files.delivery(delivery), 'mug-tile.png');
    expect((await digestFile(join(here.files.delivery(some), 'mug-tile.png'))).sha256).toBe(
      (await digestFile(one)).sha256,
    );
    await photos.changePhotos(here, id, rows.slice(0, 2).map(({ id }) => ({ id, review: 'out' as const }))); // prettier-ignore
    await batches.saveDraft(here, id, { ...template, fill: { by: 'name', missing: 'skip' } }, revision + 1);
    await expect(deliveries.startDelivery(here, id)).rejects.toMatchObject({
      code: 'nothing-to-export',
      message: /No group/,
    });
  });

  test('files stay within their output’s limit of bytes; those that can’t are counted and told', async () => {
    const outputs = [{ width: 400, format: 'jpeg', quality: 95, maxKB: 12 }, { name: 'png', width: 400, maxKB: 12 }]; // prettier-ignore
    const id = await batchWith(SMALL, { outputs });
    const delivery = await deliveries.startDelivery(here, id);
    await run(delivery);
    const { items } = await deliveries.manifestOf(here, delivery);
    const jpegs = items.filter(({ output }) => output === 'tile');
    expect(jpegs.every(({ bytes, quality }) => bytes! <= 12_000 && quality! < 95)).toBe(true);
    const heavy = items.filter(({ findings }) => findings.some(({ check }) => check === 'heavy'));
    expect(heavy.map(({ output }) => output)).toEqual(['png', 'png', 'png']);
    expect(await deliveries.deliveryProgress(here, delivery)).toMatchObject({ filesDone: 6, filesHeavy: 3 });
  });

  test('the same again makes the same bytes, whatever became of the batch; it names its template’s version', async () => {
    const id = await batchWith(SMALL, { outputs: [{ width: 60 }, { name: 'mail', format: 'jpeg', width: 40 }] });
    const { revision } = await batches.batchDetail(here, id);
    await templates.saveTemplate(here, id, 'Named version', revision);
    const first = await deliveries.startDelivery(here, id);
    await run(first);
    const { revision: now, template } = await batches.batchDetail(here, id);
    await batches.saveDraft(here, id, { ...template, borders: [{ width: 30 }] }, now);
    const { photos: rows } = await photos.listPhotos(here, id, 0, 10);
    await photos.changePhotos(here, id, rows.map(({ id }) => ({ id, adjustment: { x: 0.1, y: 0, scale: 1.4, angle: 9 } }))); // prettier-ignore
    const changed = await deliveries.startDelivery(here, id);
    await batches.deleteBatch(here, id);
    const again = await deliveries.exportAgain(here, first);
    await run(changed);
    await run(again);
    const sums = async (delivery: number) => {
      const { items, version, changed } = await deliveries.manifestOf(here, delivery);
      return { version, changed, files: items.map(({ photo, file, sha256 }) => [photo, file, sha256]) };
    };
    expect(await sums(again)).toEqual(await sums(first));
    expect(await sums(first)).toMatchObject({ version: 1, changed: false });
    expect(await sums(changed)).toMatchObject({ version: 1, changed: true });
    expect((await sums(changed)).files).not.toEqual((await sums(first)).files);
    await expect(deliveries.exportAgain(here, 9999)).rejects.toMatchObject({ code: 'not-found' });
  });

  test('a photo whose file is damaged later is an error of its own; the others are made', async () => {
    const id = await batchWith(SMALL);
    const delivery = await deliveries.startDelivery(here, id);
    const mine = await here.db.select().from(tables.deliveryPhotos);
    const victim = mine.find((p) => p.deliveryId === delivery)!;
    const kept = readFileSync(here.files.original(victim.sha256));
    writeFileSync(here.files.original(victim.sha256), kept.subarray(0, 900));
    try {
      await run(delivery);
    } finally {
      writeFileSync(here.files.original(victim.sha256), kept);
    }
    expect(await deliveries.deliveryProgress(here, delivery)).toMatchObject({
      photosDone: 3,
      photosFailed: 1,
      filesDone: 2,
    });
    expect(await deliveries.failedPhotos(here, delivery)).toEqual([
      { photo: victim.photo, error: expect.stringMatching(/broken|cut short|can’t be read/) },
    ]);
    const { items } = await deliveries.manifestOf(here, delivery);
    expect(items.filter((item) => item.error !== null).map((item) => item.photo)).toEqual([victim.photo]);
  });

  test('one that is stopped goes on later, and finished files are not made again', async () => {
    const id = await batchWith(SMALL);
    const delivery = await deliveries.startDelivery(here, id);
    let asked = 0;
    // The first questions are answered with no: one photo is let through before the stop.
    await begin(delivery, () => ++asked > 3);
    const [first] = await readdir(here.files.delivery(delivery));
    const path = join(here.files.delivery(delivery), first!);
    const before = await digestFile(path);
    writeFileSync(join(here.files.delivery(delivery), 'half.png.12345678.part'), 'half');
    await run(delivery);
    expect(await readdir(here.files.delivery(delivery))).toHaveLength(3);
    expect(await digestFile(path)).toEqual(before);
    expect(await deliveries.deliveryProgress(here, delivery)).toMatchObject({ filesDone: 3, photosDone: 3 });
  });

  test('an empty batch is not exported, and an unfinished delivery has no zip', async () => {
    await expect(deliveries.startDelivery(here, await batches.createBatch(here, 'Empty'))).rejects.toMatchObject({
      code: 'nothing-to-export',
    });
    const delivery = await deliveries.startDelivery(here, await batchWith(SMALL.slice(0, 1)));
    await expect(deliveries.zipEntries(here, delivery)).rejects.toMatchObject({ code: 'not-done' });
    await deliveries.cancelDelivery(here, delivery);
    expect((await deliveries.deliveryProgress(here, delivery)).state).toBe('cancelled');
    await deliveries.resumeDelivery(here, delivery);
    expect((await deliveries.deliveryProgress(here, delivery)).state).toBe('waiting');
  });
});

describe('the queue', () => {
  const add = (subject: number) => here.write((tx) => here.queue.add('delivery', subject, tx));
  beforeEach(() => here.write(async (tx) => void (await tx.delete(tables.jobs))));

  test('gives jobs in their order, each once, and takes none twice', async () => {
    for (const subject of [3, 1, 3, 2]) await add(subject);
    const taken = [
      await here.queue.take('delivery'),
      await here.queue.take('delivery'),
      await here.queue.take('delivery'),
    ];
    expect(taken.map((job) => job!.subject)).toEqual([3, 1, 2]);
    expect(await here.queue.take('delivery')).toBeNull();
  });

  test('jobs of a killed process wait again; finished ones are gone', async () => {
    await add(1);
    await add(2);
    await here.queue.finish((await here.queue.take('delivery'))!.id);
    await here.queue.take('delivery');
    await here.queue.recover('delivery');
    expect((await here.queue.take('delivery'))!.subject).toBe(2);
  });
});
