import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { FIRST_WORKSPACE, hereIn } from '../workspace';
import { batches, deliveries, framings } from '.';
import { services, SMALL } from './testing';

const { here, batchWith, run } = services();

const read = (name: string, framing: object = {}) => framings.savedFramingSchema.parse({ name, framing });

test('a framing is kept with all that it says, listed by name, taken out', async () => {
  const framing = { borders: [{ width: 40, relief: { depth: 9 }, echo: { count: 3 } }], light: { angle: 90 } };
  await framings.saveFraming(here, read('Round', framing));
  const { id } = await framings.saveFraming(here, read('Oval'));
  const all = await framings.listFramings(here);
  expect(all.map(({ name }) => name)).toEqual(['Oval', 'Round']);
  expect(all[1]!.framing).toMatchObject({ borders: [{ width: 40, relief: { depth: 9, profile: 'round' }, echo: { count: 3 } }], light: { angle: 90 } }); // prettier-ignore
  await framings.deleteFraming(here, id);
  expect((await framings.listFramings(here)).map(({ name }) => name)).toEqual(['Round']);
});

test('a name is given once, even to two at the same moment; what is no framing is refused with its path', async () => {
  const both = await Promise.allSettled([1, 2].map(() => framings.saveFraming(here, read('Once'))));
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  await expect(framings.saveFraming(here, read('Once'))).rejects.toMatchObject({ code: 'conflict', at: 'name' });
  expect(() => read('X', { shape: { kind: 'circle' } })).toThrow(/shape/);
  expect(() => read('X', { borders: [{ echo: { count: 51 } }] })).toThrow(/count/);
  expect(() => read('X', { borders: [{ relief: { curve: [[0, 0], [0.7, 1], [0.7, 0], [1, 0]] } }] })).toThrow(/left to right/); // prettier-ignore
});

test('there is an end to how many are kept', async () => {
  const known = (await framings.listFramings(here)).length;
  for (let i = known; i < 60; i++) await framings.saveFraming(here, read(`No ${i}`));
  await expect(framings.saveFraming(here, read('One more'))).rejects.toThrow('There are 60 framings already');
});

test('who only works on batches keeps none', async () => {
  const artist = { ...hereIn(FIRST_WORKSPACE), actor: { name: 'A', role: 'artist' } } as unknown as typeof here;
  await expect(framings.saveFraming(artist, read('Mine'))).rejects.toMatchObject({ code: 'not-allowed' });
});

test('an output that shows the framing alone is one file of a delivery, clear where the photo would be', async () => {
  const outputs = [{ name: 'tile', width: 100 }, { name: 'ring', width: 100, content: 'framing', file: '{template}-{output}' }]; // prettier-ignore
  const fields = { name: 'Wreath', borders: [{ width: 120, paint: '#24594f', relief: {} }], shadows: [{ y: 0, blur: 40, opacity: 1 }], outputs }; // prettier-ignore
  const id = await batchWith(SMALL, fields);
  const delivery = await deliveries.startDelivery(here, id);
  expect((await deliveries.deliveryProgress(here, delivery)).fileCount).toBe(SMALL.length + 1);
  await run(delivery);
  const folder = here.files.delivery(delivery);
  expect((await readdir(folder)).filter((name) => name.includes('ring'))).toEqual(['Wreath-ring.png']);
  const { data, info } = await sharp(await readFile(join(folder, 'Wreath-ring.png'))).raw().toBuffer({ resolveWithObject: true }); // prettier-ignore
  const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 4)];
  // Neither photo nor the shadow of what would be cut out; the ring's own shadow falls beside it.
  expect(at(50, 50)).toEqual([0, 0, 0, 0]);
  expect(at(50, 10)[3]).toBe(255);
  expect(at(50, 4)[3]).toBeGreaterThan(20);
  const { items } = await deliveries.manifestOf(here, delivery);
  expect(items.filter(({ output }) => output === 'ring')).toHaveLength(1);
  expect((await batches.batchDetail(here, id)).photoCount).toBe(SMALL.length);
});
