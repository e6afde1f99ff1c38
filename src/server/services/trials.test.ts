import { renderPool } from '../jobs';
import { deliveries, photos, trials } from '.';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();
afterAll(() => renderPool().close());

test('a trial is as large as the file that an export makes of that photo', async () => {
  const outputs = [{ width: 90 }, { name: 'mail', width: 300, format: 'jpeg', maxKB: 4 }, { name: 'wide', width: 700 }];
  const batch = await batchWith(SMALL, { outputs });
  const tried = await Promise.all(outputs.map((_, i) => trials.trialOf(here, batch, i)));
  expect(new Set(tried.map(({ photo }) => photo)).size).toBe(1);
  expect(tried.map(({ loss }) => loss === null)).toEqual([true, false, true]);
  expect(tried[1]!.loss!.ssim).toBeGreaterThan(0.5);
  expect(tried[1]!.loss!.ssim).toBeLessThan(1);
  const delivery = await deliveries.startDelivery(here, batch);
  await run(delivery);
  const made = (await deliveries.manifestOf(here, delivery)).items.filter(({ photo }) => photo === tried[0]!.photo);
  expect(made.map(({ width, height, bytes, quality }) => ({ width, height, bytes, quality }))).toEqual(tried.map(({ photo: _, loss: _loss, ...one }) => one)); // prettier-ignore
});

test('an output that is not there, and a batch without photos, are refused', async () => {
  const batch = await batchWith(SMALL.slice(0, 1));
  await expect(trials.trialOf(here, batch, 7)).rejects.toMatchObject({ code: 'not-found' });
  const [photo] = (await photos.listPhotos(here, batch, 0, 9)).photos;
  await photos.changePhotos(here, batch, [{ id: photo!.id, review: 'out' }]);
  await expect(trials.trialOf(here, batch, 0)).rejects.toMatchObject({ code: 'nothing-to-export' });
});
