/** Photo data on the server: kept field by field, and in the names and metadata of a delivery as it was when that began. */
import ExifReader from 'exifreader';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { deliveryFolder } from '../store';
import { batches, deliveries, photos } from '.';
import { services, SMALL } from './testing';

const { batchWith, run } = services();

const rowsOf = async (batch: number) => (await photos.listPhotos(batch, 0, 9)).photos;

test('fields change one by one, those that say nothing go, and only in their own batch', async () => {
  const [mine, other] = [await batchWith(SMALL), await batchWith(SMALL.slice(0, 1))];
  const [one, two] = await rowsOf(mine);
  const [foreign] = await rowsOf(other);
  await photos.changePhotos(mine, [
    { id: one!.id, data: { Title: 'Tile “ochre”', Maker: 'Ada' } },
    { id: foreign!.id, data: { Title: 'not mine' } },
  ]);
  await photos.changePhotos(mine, [
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

test('what a field said is kept while it is away', async () => {
  const batch = await batchWith(SMALL.slice(0, 1));
  const [photo] = await rowsOf(batch);
  await batches.setFields(batch, ['Title', 'Maker']);
  await photos.changePhotos(batch, [{ id: photo!.id, data: { Maker: 'Ada' } }]);
  await batches.setFields(batch, ['Title']);
  expect((await batches.batchDetail(batch)).fields).toEqual(['Title']);
  await batches.setFields(batch, ['Maker', 'Title']);
  expect((await rowsOf(batch))[0]!.data).toEqual({ Maker: 'Ada' });
});

test('names, folders and metadata come from the data as it was when the delivery began', async () => {
  const batch = await batchWith(SMALL, {
    outputs: [{ width: 90, file: 'shop/{sku|lower}-{title|slug}' }],
    metadata: { alt: 'A {title}.', creator: '{maker}' },
  });
  await batches.setFields(batch, ['SKU', 'Title']);
  const rows = await rowsOf(batch);
  await photos.changePhotos(
    batch,
    rows.map(({ id }, i) => ({ id, data: { SKU: `A/${i}`, Title: 'Große Schale', Maker: 'unseen' } })),
  );
  const id = await deliveries.startDelivery(batch);
  await photos.changePhotos(batch, [{ id: rows[0]!.id, data: { Title: 'Later' } }]);
  await run(id);
  const { items } = await deliveries.manifestOf(id);
  expect(items.map(({ file }) => file)).toEqual([0, 1, 2].map((i) => `shop/a_${i}-grosse-schale.png`));
  const file = await readFile(join(deliveryFolder(id), items[0]!.file!));
  const { xmp } = await ExifReader.load(file, { expanded: true, async: true });
  expect(xmp!.AltTextAccessibility!.description).toBe('A Große Schale.');
  // A column that is no field of the batch says nothing.
  expect(xmp!.creator).toBeUndefined();

  const again = await deliveries.exportAgain(id);
  await run(again);
  expect((await deliveries.manifestOf(again)).items.map(({ file, sha256 }) => [file, sha256])).toEqual(items.map(({ file, sha256 }) => [file, sha256])); // prettier-ignore
});
