/** Exports that make only what has changed. */
import { eq } from 'drizzle-orm';
import { readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tables } from '../db';
import { batches, deliveries, photos } from '.';
import { services, SMALL } from './testing';

const { here, arrival, batchWith, run } = services();

const FIELDS = { outputs: [{ width: 90 }, { name: 'mail', width: 60, format: 'jpeg' }], metadata: { alt: '{title}' } };

const rowsOf = async (batch: number) => (await photos.listPhotos(here, batch, 0, 9)).photos;
const change = async (batch: number, fields: object) => {
  const { template, revision } = await batches.batchDetail(here, batch);
  await batches.saveDraft(here, batch, { ...template, ...fields }, revision);
};

/** Exports, and tells which files were made and which taken over. */
async function exported(batch: number) {
  const id = await deliveries.startDelivery(here, batch);
  await run(id);
  const rows = await here.db.select().from(tables.deliveryFiles).where(eq(tables.deliveryFiles.deliveryId, id));
  const made = rows.filter(({ takenFrom }) => takenFrom === null).map(({ file }) => file);
  return { id, made: made.sort(), files: new Map(rows.map(({ file, sha256 }) => [file, sha256])) };
}

/** The same delivery with every file made. */
async function anew(id: number) {
  const again = await deliveries.exportAgain(here, id);
  await run(again);
  const { items } = await deliveries.manifestOf(here, again);
  return new Map(items.map(({ file, sha256 }) => [file, sha256]));
}

test('of what has not changed every byte is taken over; what has is told with why, and made', async () => {
  const batch = await batchWith(SMALL, FIELDS);
  await batches.setFields(here, batch, ['Title']);
  const [ochre, slate, bowl] = await rowsOf(batch);
  expect((await deliveries.deliveryChanges(here, batch)).reasons).toEqual({ new: 6 });
  const first = await exported(batch);
  expect(first.made).toHaveLength(6);
  expect(await deliveries.deliveryChanges(here, batch)).toMatchObject({
    since: { id: first.id },
    same: 6,
    made: 0,
    gone: 0,
  });

  const second = await exported(batch);
  expect(second.made).toEqual([]);
  expect(second.files).toEqual(first.files);

  await photos.changePhotos(here, batch, [
    { id: ochre!.id, adjustment: { x: 0.05, y: 0, scale: 1, angle: 0 } },
    { id: slate!.id, data: { Title: 'A mug' } },
  ]);
  expect((await deliveries.deliveryChanges(here, batch)).reasons).toEqual({ placement: 2, text: 2 });
  const third = await exported(batch);
  expect(third.made).toEqual(['ochre-tile-48-mail.jpg', 'ochre-tile-48-tile.png', 'slate-mug-07-mail.jpg', 'slate-mug-07-tile.png']); // prettier-ignore
  expect(await anew(third.id)).toEqual(third.files);

  await change(batch, { outputs: [{ width: 90, file: 'n/{photo}' }, { name: 'mail', width: 60, format: 'jpeg', quality: 40 }] }); // prettier-ignore
  const changes = await deliveries.deliveryChanges(here, batch);
  expect([changes.reasons, changes.same, changes.gone, changes.goneFiles[0]]).toEqual([{ output: 3 }, 3, 3, 'ochre-tile-48-tile.png']); // prettier-ignore
  const fourth = await exported(batch);
  expect(fourth.files.get('n/slate-mug-07.png')).toBe(third.files.get('slate-mug-07-tile.png'));
  expect(await anew(fourth.id)).toEqual(fourth.files);

  await photos.removePhotos(here, batch, [bowl!.id]);
  await change(batch, { borders: [{ width: 9, paint: '#aa3300' }] });
  expect(await deliveries.deliveryChanges(here, batch)).toMatchObject({ reasons: { template: 4 }, same: 0, gone: 2 });
});

test('another picture of the same name is made, and the manifest tells the findings of now', async () => {
  const batch = await batchWith(SMALL.slice(0, 2), { outputs: [{ width: 600 }] });
  await exported(batch);
  const [one] = await rowsOf(batch);
  await photos.removePhotos(here, batch, [one!.id]);
  await photos.takePhoto(here, batch, await arrival('white-bowl-38.jpg', one!.name));
  expect((await deliveries.deliveryChanges(here, batch)).reasons).toMatchObject({ photo: 1 });
  const [, other] = await rowsOf(batch);
  await change(batch, { centring: { maxEnlarge: 0.01 } });
  const next = await exported(batch);
  const { items } = await deliveries.manifestOf(here, next.id);
  expect(items.find(({ photo }) => photo === other!.name)!.findings.map(({ check }) => check)).toContain('enlargement');
});

test('an earlier file that is gone or damaged is made anew; later harm to the old one is none to the new', async () => {
  const batch = await batchWith(SMALL, { outputs: [{ width: 70 }] });
  const first = await exported(batch);
  const [gone, damaged, whole] = [...first.files.keys()]
    .sort()
    .map((file) => join(here.files.delivery(first.id), file));
  rmSync(gone!);
  writeFileSync(
    damaged!,
    readFileSync(damaged!).map((byte) => byte ^ 1),
  );
  const second = await exported(batch);
  expect(second.files).toEqual(first.files);
  const { items } = await deliveries.manifestOf(here, second.id);
  for (const { file, bytes } of items) expect(statSync(join(here.files.delivery(second.id), file!)).size).toBe(bytes);
  rmSync(whole!);
  await expect(deliveries.zipEntries(here, second.id)).resolves.toHaveLength(5);
});

test('an export of a few photos in between takes nothing away from the next of all', async () => {
  const batch = await batchWith(SMALL, { outputs: [{ width: 50 }] });
  await exported(batch);
  const [one] = await rowsOf(batch);
  await photos.changePhotos(here, batch, [{ id: one!.id, adjustment: { x: 0.1, y: 0, scale: 1, angle: 0 } }]);
  await run(await deliveries.startDelivery(here, batch, [one!.id]));
  expect(await deliveries.deliveryChanges(here, batch)).toMatchObject({ same: 3, made: 0 });
  expect((await exported(batch)).made).toEqual([]);
});
