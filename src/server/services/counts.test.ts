/** What is counted and what is made: one batch, every place that tells of it. */
import { readdirSync } from 'node:fs';
import { countBatch, isToLookAt } from '../../core/checks';
import { batches, deliveries, photos } from '.';
import { countFindings } from './findings';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();

const OUTPUTS = [{ name: 'a', width: 40, content: 'cutout' }, { name: 'b', width: 20, content: 'cutout' }] as const; // prettier-ignore

test('the screen’s counts, the card, the delivery and its manifest agree about photos left out and called good', async () => {
  // The limit marks every photo.
  const id = await batchWith(SMALL, { centring: { maxEnlarge: 0.001 }, outputs: OUTPUTS });
  const [first, second] = (await photos.listPhotos(here, id, 0, 10)).photos;
  await photos.changePhotos(here, id, [{ id: first!.id, review: 'out' }, { id: second!.id, review: 'good' }]); // prettier-ignore
  await countFindings(here, id);

  const listed = (await photos.listPhotos(here, id, 0, 10)).photos;
  const counts = countBatch(listed, OUTPUTS, () => true);
  expect(counts).toEqual({ photos: 3, leftOut: 1, exported: 2, files: 4, toLookAt: 1 });
  const card = (await batches.listBatches(here)).find((batch) => batch.id === id)!;
  expect([card.photoCount, card.outCount, card.findingCount]).toEqual([counts.photos, counts.leftOut, counts.toLookAt]);
  expect(await batches.batchDetail(here, id)).toMatchObject({ photoCount: counts.photos, outCount: counts.leftOut });

  const delivery = await deliveries.startDelivery(here, id);
  await run(delivery);
  const { items } = await deliveries.manifestOf(here, delivery);
  const progress = await deliveries.deliveryProgress(here, delivery);
  expect([items.length, progress.photoCount, progress.fileCount]).toEqual([
    counts.files,
    counts.exported,
    counts.files,
  ]);
  // The list of deliveries and the batch's card tell the same of it.
  const inList = (await deliveries.listDeliveries(here, null)).find((one) => one.id === delivery)!;
  expect([inList.photoCount, inList.photosDone, inList.photosFailed]).toEqual([counts.exported, counts.exported, 0]);
  expect([inList.fileCount, inList.filesDone]).toEqual([counts.files, counts.files]);
  const done = (await batches.listBatches(here)).find((batch) => batch.id === id)!.delivery!;
  expect([done.fileCount, done.filesDone]).toEqual([counts.files, counts.files]);
  expect(readdirSync(here.files.delivery(delivery)).filter((name) => name.endsWith('.png'))).toHaveLength(counts.files);
});

test('only the photos that are named are exported, and never one that is left out', async () => {
  const id = await batchWith(SMALL, { outputs: OUTPUTS });
  const [first, second] = (await photos.listPhotos(here, id, 0, 10)).photos;
  await photos.changePhotos(here, id, [{ id: second!.id, review: 'out' }]);
  const delivery = await deliveries.startDelivery(here, id, [first!.id, second!.id]);
  await run(delivery);
  const { items } = await deliveries.manifestOf(here, delivery);
  expect(items.map(({ photo }) => photo)).toEqual([first!.name, first!.name]);
  await expect(deliveries.startDelivery(here, id, [second!.id])).rejects.toMatchObject({ code: 'nothing-to-export' });
});

test('photos that leave a batch, or come back into its exports, are not counted as left out', async () => {
  const id = await batchWith(SMALL);
  const ids = (await photos.listPhotos(here, id, 0, 10)).photos.map((photo) => photo.id);
  const out = async () => (await batches.batchDetail(here, id)).outCount;
  await photos.changePhotos(here, id, ids.map((one) => ({ id: one, review: 'out' }))); // prettier-ignore
  expect(await out()).toBe(3);
  await photos.changePhotos(here, id, [{ id: ids[0]!, review: 'open' }]);
  await photos.removePhotos(here, id, [ids[1]!]);
  expect(await out()).toBe(1);
});

test('good photos and those left out need no look, whatever was found', () => {
  expect((['open', 'good', 'out'] as const).map((review) => isToLookAt(review, true))).toEqual([true, false, false]);
  expect(isToLookAt('open', false)).toBe(false);
});
