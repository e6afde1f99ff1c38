import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { until } from '../../core/testing/until';
import { migrateDatabase, tables } from '../db';
import { batches, deliveries, photos } from '../services';
import { digestFile } from '../store';
import { askToStop, startRunner, wakeRunner } from '.';
import { FIRST_WORKSPACE, hereIn } from '../workspace';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-runner-'));
process.env.WOBREL_DATA = folder;
const here = hereIn(FIRST_WORKSPACE);
afterAll(() => rmSync(folder, { recursive: true }));

const SOURCE = 'demo/photos/products/slate-mug-07.jpg';

async function batchOfOne(): Promise<number> {
  const id = await batches.createBatch(here, 'Runner');
  mkdirSync(here.files.arrivals(), { recursive: true });
  const path = join(here.files.arrivals(), `${Math.random()}`);
  copyFileSync(SOURCE, path);
  await photos.takePhoto(here, id, { name: 'mug.jpg', path, ...(await digestFile(path)), tooLarge: false });
  await batches.saveDraft(here, id, { wobrel: 1, name: 'Small', outputs: [{ width: 60 }] }, 0);
  return id;
}

const stateOf = async (id: number) => (await deliveries.deliveryProgress(here, id)).state;
async function isState(id: number, wanted: string): Promise<void> {
  await until(async () => (await stateOf(id)) === wanted);
}

test('the loop takes up what was left, goes from job to job, and a job that fails does not end it', async () => {
  await migrateDatabase(here.db, here.files.database());
  const batch = await batchOfOne();
  // Killed between the delivery's row and its job, as older versions could be: it would wait for ever.
  const lost = await deliveries.startDelivery(here, batch);
  await here.write(async (tx) => void (await tx.delete(tables.jobs)));
  // Killed while it ran.
  const broken = await deliveries.startDelivery(here, batch);
  await here.write(async (tx) => {
    await tx.update(tables.jobs).set({ state: 'running' });
    await tx.update(tables.deliveries).set({ state: 'running' }).where(eq(tables.deliveries.id, broken));
  });
  // A document that can't be read: this one fails with a sentence.
  const unreadable = await deliveries.startDelivery(here, batch);
  await here.write(async (tx) => {
    await tx
      .update(tables.deliveries)
      .set({ document: { name: 'X' } })
      .where(eq(tables.deliveries.id, unreadable));
  });
  const stop = await startRunner(here);
  await isState(broken, 'done');
  await isState(unreadable, 'failed');
  expect((await deliveries.deliveryProgress(here, unreadable)).message).toMatch(/wobrel: /);
  await isState(lost, 'done');

  // One that comes later is taken when the bell rings.
  const later = await deliveries.startDelivery(here, batch);
  wakeRunner(here);
  await isState(later, 'done');
  expect(await here.db.select().from(tables.jobs)).toEqual([]);

  // Asked to stop before it is taken, it is not begun.
  const stopped = await deliveries.startDelivery(here, batch);
  await deliveries.cancelDelivery(here, stopped);
  askToStop(here, 'delivery', stopped);
  await until(async () => ['cancelled', 'done'].includes(await stateOf(stopped)));
  expect((await deliveries.deliveryProgress(here, stopped)).photosFailed).toBe(0);
  await stop();
}, 120_000);
