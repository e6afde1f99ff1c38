/** HEIC photos on the server: developed once as they come in, and photos like any other from then on. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { madeHeic } from '../heic/made-heic';
import { deliveries, photos, pictures } from '.';
import { services } from './testing';

const { here, arrivalOf, batchWith, run } = services();

test('a HEIC photo is kept, listed, delivered, and known again by its own bytes', async () => {
  const batch = await batchWith([], { outputs: [{ width: 60 }] });
  const file = await arrivalOf('IMG_0412.HEIC', madeHeic({ width: 120, height: 100, turned: 1 }));
  const received = await photos.takePhoto(here, batch, file);
  expect(received).toMatchObject({ outcome: 'kept', photo: { sha256: file.sha256, width: 100, height: 120 } });
  expect((await sharp(here.files.original(file.sha256)).metadata()).format).toBe('jpeg');
  const again = () => arrivalOf('copy.heic', madeHeic({ width: 120, height: 100, turned: 1 }));
  const message = 'The same picture is in the batch already, as IMG_0412.HEIC.';
  expect(await photos.takePhoto(here, batch, await again())).toMatchObject({ outcome: 'refused', message });
  expect(await photos.takePhoto(here, await batchWith([]), await again())).toMatchObject({ outcome: 'kept' });
  expect(await readdir(here.files.arrivals())).toEqual([]);

  const delivery = await deliveries.startDelivery(here, batch);
  await run(delivery);
  const tile = sharp(join(here.files.delivery(delivery), 'IMG_0412-tile.png'));
  const { data, info } = await tile.raw().toBuffer({ resolveWithObject: true });
  // Turned by a quarter anticlockwise, the red tile lies below on the left, the green one above it.
  const at = (x: number, y: number) => data.subarray((y * info.width + x) * info.channels);
  expect(at(20, 42)[0]).toBeGreaterThan(2 * at(20, 42)[1]!);
  expect(at(20, 18)[1]).toBeGreaterThan(2 * at(20, 18)[0]!);
});

test('one that is broken is refused by its name, and leaves nothing behind', async () => {
  const batch = await batchWith([]);
  const whole = madeHeic();
  const file = await arrivalOf('cut.heic', whole.subarray(0, whole.length - 40));
  expect(await photos.takePhoto(here, batch, file)).toEqual({
    name: 'cut.heic',
    outcome: 'refused',
    message: 'The file is broken or cut short.',
  });
  expect(await readdir(here.files.arrivals())).toEqual([]);
});

test('one is a picture for templates, too', async () => {
  const kept = await pictures.takePicture(here, await arrivalOf('ground.heic', madeHeic()));
  expect(kept).toMatchObject({ name: 'ground.heic', width: 128, height: 128 });
  expect((await sharp(await pictures.pictureFile(here, kept.sha256)).metadata()).format).toBe('png');
  expect(await readdir(here.files.arrivals())).toEqual([]);
});
