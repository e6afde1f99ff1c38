import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { until } from '../../core/testing/until';
import { database, migrateDatabase, tables, write } from '../db';
import { batches, deliveries, photos } from '../services';
import { arrivalsFolder, digestFile } from '../store';
import { askToStop, startRunner, wakeRunner } from '.';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-runner-'));
process.env.WOBREL_DATA = folder;
afterAll(() => rmSync(folder, { recursive: true }));

const SOURCE = 'demo/photos/products/slate-mug-07.jpg';

async function batchOfOne(): Promise<number> {
  const id = await batches.createBatch('Runner');
  mkdirSync(arrivalsFolder(), { recursive: true });
  const path = join(arrivalsFolder(), `${Math.random()}`);
  copyFileSync(SOURCE, path);
  await photos.takePhoto(id, { name: 'mug.jpg', path, ...(await digestFile(path)), tooLarge: false });
  await batches.saveDraft(id, { wobrel: 1, name: 'Small', outputs: [{ width: 60 }] }, 0);
  return id;
}

const stateOf = async (id: number) => (await deliveries.deliveryProgress(id)).state;
async function isState(id: number, wanted: string): Promise<void> {
  await until(async () => (await stateOf(id)) === wanted);
}

test('the loop takes up what was left, goes from job to job, and a job that fails does not end it', async () => {
  await migrateDatabase();
  const batch = await batchOfOne();
  // Killed between the delivery's row and its job, as older versions could be: it would wait for ever.
  const lost = await deliveries.startDelivery(batch);
  await write(async (tx) => void (await tx.delete(tables.jobs)));
  // Killed while it ran.
  const broken = await deliveries.startDelivery(batch);
  await write(async (tx) => {
    await tx.update(tables.jobs).set({ state: 'running' });
    await tx.update(tables.deliveries).set({ state: 'running' }).where(eq(tables.deliveries.id, broken));
  });
  // A document that can't be read: this one fails with a sentence.
  const unreadable = await deliveries.startDelivery(batch);
  await write(async (tx) => {
    await tx
      .update(tables.deliveries)
      .set({ document: { name: 'X' } })
      .where(eq(tables.deliveries.id, unreadable));
  });
  const stop = await startRunner();
  await isState(broken, 'done');
  await isState(unreadable, 'failed');
  expect((await deliveries.deliveryProgress(unreadable)).message).toMatch(/wobrel: /);
  await isState(lost, 'done');

  // One that comes later is taken when the bell rings.
  const later = await deliveries.startDelivery(batch);
  wakeRunner();
  await isState(later, 'done');
  expect(await database().select().from(tables.jobs)).toEqual([]);

  // Asked to stop before it is taken, it is not begun.
  const stopped = await deliveries.startDelivery(batch);
  await deliveries.cancelDelivery(stopped);
  askToStop('delivery', stopped);
  await until(async () => ['cancelled', 'done'].includes(await stateOf(stopped)));
  expect((await deliveries.deliveryProgress(stopped)).photosFailed).toBe(0);
  await stop();
}, 120_000);
