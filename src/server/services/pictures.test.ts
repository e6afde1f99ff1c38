import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { smallPicture } from '../pictures';
import { batches, deliveries, photos, pictures } from '.';
import { services, SMALL } from './testing';

const { here, arrivalOf, batchWith, run } = services();

/** A maker's mark: green, with a clear half. */
async function arrived(name: string, data?: Buffer) {
  const mark = await sharp({ create: { width: 60, height: 30, channels: 4, background: '#00000000' } })
    .composite([{ input: { create: { width: 30, height: 30, channels: 4, background: '#00ff00' } }, left: 0, top: 0 }])
    .withExif({ IFD0: { Copyright: 'somebody' } })
    .png()
    .toBuffer();
  return arrivalOf(name, data ?? mark);
}

test('a picture is kept once by its content, with its transparency and without metadata, and its file is gone from where it came', async () => {
  const first = await arrived('../mark\u202e.png');
  const kept = await pictures.takePicture(here, first);
  expect(kept).toMatchObject({ name: 'mark.png', width: 60, height: 30 });
  expect(existsSync(first.path)).toBe(false);
  expect(await pictures.takePicture(here, await arrived('again.png'))).toMatchObject({ sha256: kept.sha256 });
  expect(await pictures.listPictures(here)).toEqual([{ ...kept, uses: 0 }]);
  const { data } = PNG.sync.read(readFileSync(await pictures.pictureFile(here, kept.sha256)));
  expect([...data.subarray(0, 4), data[59 * 4 + 3]]).toEqual([0, 255, 0, 255, 0]);
  expect((await sharp(here.files.picture(kept.sha256)).metadata()).exif).toBeUndefined();
});

test.each([
  ['words.png', Buffer.from('no picture'), 'photo-wrong-type'],
  ['vector.svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'), 'photo-wrong-type'],
  ['cut.png', Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), 'photo-broken'],
])('%s is refused', async (name, data, code) => {
  await expect(pictures.takePicture(here, await arrived(name, data))).rejects.toMatchObject({ code });
});

test('a template that names a picture which is not kept is refused by its field', async () => {
  const id = await batchWith([]);
  const { revision } = await batches.batchDetail(here, id);
  const before = [{}, { picture: 'e'.repeat(64) }];
  await expect(batches.saveDraft(here, id, { wobrel: 1, name: 'T', before }, revision)).rejects.toMatchObject({
    code: 'picture-missing',
    at: 'before[1].picture',
  });
});

test('it lies in every file of a delivery, and stays as long as something shows it', async () => {
  const { sha256 } = await pictures.takePicture(here, await arrived('mark.png'));
  const place = { cx: 900, cy: 1000, width: 240, height: 120 };
  const id = await batchWith([SMALL[0]!], {
    before: [{ picture: sha256, place, fit: 'stretch' }],
    outputs: [{ width: 108 }, { name: 'mail', format: 'jpeg', width: 216 }],
  });
  expect((await pictures.listPictures(here))[0]).toMatchObject({ sha256, uses: 1 });
  await expect(pictures.deletePicture(here, sha256)).rejects.toMatchObject({ code: 'conflict' });
  const delivery = await deliveries.startDelivery(here, id);
  await run(delivery);
  const { data } = PNG.sync.read(readFileSync(join(here.files.delivery(delivery), 'slate-mug-07-tile.png')));
  const at = (x: number, y: number) => [...data.subarray((y * 108 + x) * 4, (y * 108 + x) * 4 + 4)];
  expect(at(80, 100)).toEqual([0, 255, 0, 255]);
  expect(at(100, 104)[3]).toBe(0);
  const mail = await sharp(join(here.files.delivery(delivery), 'slate-mug-07-mail.jpg'))
    .raw()
    .toBuffer();
  expect(mail[(200 * 216 + 160) * 3 + 1]).toBeGreaterThan(240);
});

test('lists are sent small pictures, with what is transparent in them', async () => {
  const large = await sharp({ create: { width: 1000, height: 500, channels: 4, background: '#12345680' } })
    .png()
    .toBuffer();
  const { sha256 } = await pictures.takePicture(here, await arrived('large.png', large));
  const small = await smallPicture(here.files.picture(sha256));
  const { data, info } = await sharp(small).raw().toBuffer({ resolveWithObject: true });
  expect(info).toMatchObject({ width: 384, height: 192, channels: 4 });
  expect(data[3]).toBe(128);
  expect(small.length).toBeLessThan(5_000);
});

test('one that nothing shows is deleted with its file', async () => {
  const other = await sharp({ create: { width: 5, height: 5, channels: 3, background: '#123456' } })
    .png()
    .toBuffer();
  const { sha256 } = await pictures.takePicture(here, await arrived('other.png', other));
  await pictures.deletePicture(here, sha256);
  expect(existsSync(here.files.picture(sha256))).toBe(false);
  await expect(pictures.pictureFile(here, sha256)).rejects.toMatchObject({ code: 'not-found' });
  await expect(pictures.deletePicture(here, sha256)).rejects.toMatchObject({ code: 'not-found' });
});

test('a photo of a batch becomes a picture, and stays one without it', async () => {
  const batch = await batchWith([SMALL[0]!]);
  const [photo] = (await photos.listPhotos(here, batch, 0, 9)).photos;
  const kept = await pictures.pictureOfPhoto(here, photo!.id);
  expect(kept).toMatchObject({ name: photo!.name, width: photo!.width, height: photo!.height });
  await photos.removePhotos(here, batch, [photo!.id]);
  expect(readFileSync(await pictures.pictureFile(here, kept.sha256)).length).toBeGreaterThan(1000);
  await expect(pictures.pictureOfPhoto(here, photo!.id)).rejects.toMatchObject({ code: 'not-found' });
});
