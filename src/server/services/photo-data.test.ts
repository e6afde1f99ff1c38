/** Photo data on the server: kept field by field, and in the names and metadata of a delivery as it was when that began. */
import { createClient } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/libsql';
import ExifReader from 'exifreader';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { batches, deliveries, photos } from '.';
import { changeRows } from './photo-changes';
import { services, SMALL } from './testing';

const { folder, here, batchWith, run } = services();

const rowsOf = async (batch: number) => (await photos.listPhotos(here, batch, 0, 9)).photos;

test('fields change one by one, those that say nothing go, and only in their own batch', async () => {
  const [mine, other] = [await batchWith(SMALL), await batchWith(SMALL.slice(0, 1))];
  const [one, two] = await rowsOf(mine);
  const [foreign] = await rowsOf(other);
  await photos.changePhotos(here, mine, [
    { id: one!.id, data: { Title: 'Tile “ochre”', Maker: 'Ada' } },
    { id: foreign!.id, data: { Title: 'not mine' } },
  ]);
  await photos.changePhotos(here, mine, [
    { id: one!.id, data: { Maker: null } },
    { id: one!.id, data: { Price: '18' }, review: 'good' },
    { id: two!.id, review: 'good' },
  ]);
  expect((await rowsOf(mine)).map(({ data, review }) => [data, review])).toEqual([
    [{ Title: 'Tile “ochre”', Price: '18' }, 'good'],
    [{}, 'good'],
    [{}, 'open'],
  ]);
  expect((await rowsOf(other))[0]!.data).toEqual({});
});

test('each photo that changes is looked up by its number, however large the batch', async () => {
  // A connection of its own: one that was asked for the plan of an update takes no commit after it.
  const client = createClient({ url: `file:${join(folder, 'wobrel.db')}` });
  const plan = await drizzle(client).all<{ detail: string }>(sql`explain query plan ${changeRows(1, [{ id: 1, data: { Title: 'x' } }])}`); // prettier-ignore
  client.close();
  expect(plan.map(({ detail }) => detail)).toEqual([
    expect.stringMatching(/^SCAN change /),
    expect.stringMatching(/^SEARCH photos USING INTEGER PRIMARY KEY/),
  ]);
});

test('a photo has 120 fields at most, however many changes they come in', async () => {
  const batch = await batchWith(SMALL.slice(0, 1));
  const [photo] = await rowsOf(batch);
  const some = (from: number, count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`Field ${from + i}`, 'x'])); // prettier-ignore
  for (const from of [0, 60]) await photos.changePhotos(here, batch, [{ id: photo!.id, data: some(from, 60) }]);
  const more = photos.changePhotos(here, batch, [{ id: photo!.id, data: some(120, 1), review: 'good' }]);
  await expect(more).rejects.toThrow(`${photo!.name}: a photo may have at most 120 fields of data.`);
  const [kept] = await rowsOf(batch);
  expect([Object.keys(kept!.data).length, kept!.review]).toEqual([120, 'open']);
  await photos.changePhotos(here, batch, [{ id: photo!.id, data: { 'Field 3': null, 'Field 120': 'x' } }]);
});

test('what a field said is kept while it is away', async () => {
  const batch = await batchWith(SMALL.slice(0, 1));
  const [photo] = await rowsOf(batch);
  await batches.setFields(here, batch, ['Title', 'Maker']);
  await photos.changePhotos(here, batch, [{ id: photo!.id, data: { Maker: 'Ada' } }]);
  await batches.setFields(here, batch, ['Title']);
  expect((await batches.batchDetail(here, batch)).fields).toEqual(['Title']);
  await batches.setFields(here, batch, ['Maker', 'Title']);
  expect((await rowsOf(batch))[0]!.data).toEqual({ Maker: 'Ada' });
});

test('names, folders and metadata come from the data as it was when the delivery began', async () => {
  const batch = await batchWith(SMALL, {
    outputs: [{ width: 90, file: 'shop/{sku|lower}-{title|slug}' }],
    metadata: { alt: 'A {title}.', creator: '{maker}' },
  });
  await batches.setFields(here, batch, ['SKU', 'Title']);
  const rows = await rowsOf(batch);
  await photos.changePhotos(
    here,
    batch,
    rows.map(({ id }, i) => ({ id, data: { SKU: `A/${i}`, Title: 'Große Schale', Maker: 'unseen' } })),
  );
  const id = await deliveries.startDelivery(here, batch);
  await photos.changePhotos(here, batch, [{ id: rows[0]!.id, data: { Title: 'Later' } }]);
  await run(id);
  const { items } = await deliveries.manifestOf(here, id);
  expect(items.map(({ file }) => file)).toEqual([0, 1, 2].map((i) => `shop/a_${i}-grosse-schale.png`));
  const file = await readFile(join(here.files.delivery(id), items[0]!.file!));
  const { xmp } = await ExifReader.load(file, { expanded: true, async: true });
  expect(xmp!.AltTextAccessibility!.description).toBe('A Große Schale.');
  // A column that is no field of the batch says nothing.
  expect(xmp!.creator).toBeUndefined();

  const again = await deliveries.exportAgain(here, id);
  await run(again);
  expect((await deliveries.manifestOf(here, again)).items.map(({ file, sha256 }) => [file, sha256])).toEqual(items.map(({ file, sha256 }) => [file, sha256])); // prettier-ignore
});
