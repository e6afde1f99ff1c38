import sharp from 'sharp';
import { batches, deliveries, deliveryPages, photos } from '.';
import { filesQuery } from './delivery-pages';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();

const all = filesQuery.parse({});
async function exported(batch: number): Promise<number> {
  const id = await deliveries.startDelivery(here, batch);
  await run(id);
  return id;
}

test('files come in pages, with what is said of each, and a small picture', async () => {
  const batch = await batchWith(SMALL, { outputs: [{ width: 500 }, { name: 'mail', width: 60, format: 'jpeg' }], centring: { maxEnlarge: 0.01 } }); // prettier-ignore
  const id = await exported(batch);
  const { files, total } = await deliveryPages.deliveredFiles(here, id, { ...all, limit: 4 });
  expect([files.length, total]).toEqual([4, 6]);
  const rest = await deliveryPages.deliveredFiles(here, id, { ...all, offset: 4 });
  expect(new Set([...files, ...rest.files].map(({ file }) => file)).size).toBe(6);
  expect(files.map(({ findings }) => findings.map(({ check }) => check))).toEqual(expect.arrayContaining([['enlargement']])); // prettier-ignore
  expect((await deliveryPages.deliveredFiles(here, id, { ...all, show: 'found' })).total).toBe(6);
  const { width, hasAlpha, format } = await sharp(
    await deliveryPages.deliveredPicture(here, id, files[0]!.id),
  ).metadata();
  expect([width, hasAlpha, format]).toEqual([240, true, 'webp']);
});

test('what is the same of all files of an output is no news on a file', async () => {
  const id = await exported(await batchWith(SMALL.slice(0, 1), { outputs: [{ width: 60, format: 'jpeg' }] }));
  const { items } = await deliveries.manifestOf(here, id);
  expect(items[0]!.findings.map(({ check }) => check)).toEqual(['opaque']);
  expect((await deliveryPages.deliveredFiles(here, id, all)).files[0]!.findings).toEqual([]);
  expect((await deliveryPages.deliveredFiles(here, id, { ...all, show: 'found' })).total).toBe(0);
});

test('a file is found in its own delivery alone', async () => {
  const one = await exported(await batchWith(SMALL.slice(0, 1)));
  const other = await exported(await batchWith(SMALL.slice(0, 1)));
  const { files } = await deliveryPages.deliveredFiles(here, one, all);
  await expect(deliveryPages.deliveredPicture(here, other, files[0]!.id)).rejects.toMatchObject({ code: 'not-found' });
  await expect(deliveryPages.deliveredFiles(here, 999_999, all)).rejects.toMatchObject({ code: 'not-found' });
});

test('two deliveries are compared by the names of their files', async () => {
  const batch = await batchWith(SMALL);
  const first = await exported(batch);
  const [ochre, slate] = (await photos.listPhotos(here, batch, 0, 9)).photos;
  await photos.changePhotos(here, batch, [
    { id: ochre!.id, adjustment: { x: 0.2, y: 0, scale: 1.4, angle: 0 } },
    { id: slate!.id, review: 'out' },
  ]);
  const { template, revision } = await batches.batchDetail(here, batch);
  await batches.saveDraft(here, batch, { ...template, outputs: [...template.outputs, { ...template.outputs[0]!, name: 'more', width: 40 }] }, revision); // prettier-ignore
  const second = await exported(batch);
  const told = await deliveryPages.deliveryDifferences(here, second, first);
  expect(told.different.map(([before, after]) => [before.file, after.file])).toEqual([['ochre-tile-48-tile.png', 'ochre-tile-48-tile.png']]); // prettier-ignore
  expect(told.added.map(({ file }) => file)).toEqual(['ochre-tile-48-more.png', 'turquoise-bowl-02-more.png']);
  expect(told.gone.map(({ file }) => file)).toEqual(['slate-mug-07-tile.png']);
  expect([told.same, told.differentCount, told.addedCount, told.goneCount]).toEqual([1, 1, 2, 1]);
});
