/** A data folder, a render pool and photos for tests of the services. */
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase, tables } from '../db';
import type { Arrival } from '../intake';
import { deliver } from '../jobs/deliver';
import { createRenderPool, type RenderPool } from '../render';
import { digestFile } from '../store';
import { FIRST_WORKSPACE, hereIn } from '../workspace';
import { batches, photos } from '.';

export const DEMO = 'demo/photos/products';
export const SMALL = ['slate-mug-07.jpg', 'ochre-tile-48.jpg', 'turquoise-bowl-02.jpg'];

/** To be called once in a test file: everything is gone after its last test. */
export function services() {
  const folder = mkdtempSync(join(tmpdir(), 'wobrel-services-'));
  process.env.WOBREL_DATA = folder;
  const here = hereIn(FIRST_WORKSPACE);
  let pool: RenderPool;
  beforeAll(async () => {
    await migrateDatabase(here.db, here.files.database());
    pool = createRenderPool();
  });
  afterAll(async () => {
    await pool.close();
    rmSync(folder, { recursive: true });
  });

  /** A file as the upload leaves it. */
  async function arrivalOf(name: string, data: Buffer): Promise<Arrival> {
    await mkdir(here.files.arrivals(), { recursive: true });
    const path = join(here.files.arrivals(), `${Math.random()}`);
    await writeFile(path, data);
    return { name, path, ...(await digestFile(path)), tooLarge: false };
  }

  /** A demo photo as the upload leaves it. */
  const arrival = async (name: string, as = name) => arrivalOf(as, await readFile(join(DEMO, name)));

  async function batchWith(names: readonly string[], fields: object = {}): Promise<number> {
    const id = await batches.createBatch(here, 'Shelf');
    for (const name of names) await photos.takePhoto(here, id, await arrival(name));
    const { revision } = await batches.batchDetail(here, id);
    await batches.saveDraft(here, id, { wobrel: 1, name: 'Small', outputs: [{ width: 60 }], ...fields }, revision);
    return id;
  }

  /** Works at a delivery until it is over or told to stop. */
  const begin = (id: number, isCancelled: () => boolean) => deliver(here, id, { pool, isCancelled });

  /** Runs a delivery to its end, as the loop does. */
  async function run(id: number): Promise<void> {
    await begin(id, () => false);
    await here.write(async (tx) => {
      await tx.update(tables.deliveries).set({ state: 'done' });
    });
  }
  return { folder, here, arrival, arrivalOf, batchWith, begin, run };
}
