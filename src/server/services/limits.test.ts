/** A limit of bytes over many photos. */
import { readdirSync } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { deliveries } from '.';
import { DEMO, services } from './testing';

const { here, batchWith, run } = services();

/** Thousands of bytes. */
const LIMITS = { jpeg: 7, webp: 5, avif: 4, png: 4 };

test('on 60 photos and four formats every file keeps to it, or is told', async () => {
  // All of the demo's; a few are damaged and not taken.
  const names = readdirSync(DEMO);
  const outputs = Object.entries(LIMITS).map(([format, maxKB]) => ({
    name: format,
    format,
    maxKB,
    width: 160,
    effort: 'quick',
    ...(format === 'jpeg' && { matte: '#ffffff' }),
    // It has no quality to lower: some of these will be larger.
    ...(format === 'png' && { colours: 16 }),
  }));
  const id = await deliveries.startDelivery(here, await batchWith(names, { outputs }));
  await run(id);
  const { items } = await deliveries.manifestOf(here, id);
  expect(items).toHaveLength(240);
  const told = new Map<string, number>();
  for (const { output, file, bytes, findings, quality } of items) {
    const most = LIMITS[output as keyof typeof LIMITS] * 1000;
    const { size } = await stat(join(here.files.delivery(id), file!));
    const isTold = findings.some(({ check }) => check === 'heavy');
    expect([file, size, isTold]).toEqual([file, bytes, size > most]);
    if (isTold) told.set(output!, (told.get(output!) ?? 0) + 1);
    // The highest that keeps to it: a quality that was lowered at all leaves little room.
    if (quality && quality > 1 && quality < 90) expect(size).toBeGreaterThan(most * 0.7);
  }
  expect([...told.keys()]).toEqual(['png']);
  expect(told.get('png')).toBeLessThan(60);
});
