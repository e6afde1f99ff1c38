import { batches, photos } from '.';
import { countedPhotos, countedRows } from './counted-photos';
import { services, SMALL } from './testing';

const { here, arrival } = services();

test('photos count in the order that people expect, and those left out do not', async () => {
  const id = await batches.createBatch(here, 'Shelf');
  for (const [i, name] of ['mug 10.jpg', 'mug 9.jpg', 'bowl.jpg'].entries())
    await photos.takePhoto(here, id, await arrival(SMALL[i]!, name));
  const names = async () => countedPhotos(await countedRows(here, id), await batches.batchRow(here, id)).map(({ name, words }) => [name, words?.index]); // prettier-ignore
  expect(await names()).toEqual([['bowl.jpg', 1], ['mug 9.jpg', 2], ['mug 10.jpg', 3]]); // prettier-ignore

  const [bowl] = (await photos.listPhotos(here, id, 0, 10)).photos;
  await photos.changePhotos(here, id, [{ id: bowl!.id, review: 'out' }]);
  expect(await names()).toEqual([['mug 9.jpg', 1], ['mug 10.jpg', 2]]); // prettier-ignore
});
