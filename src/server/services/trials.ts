/** One cutout made as an output says, to see how large its files become. */
import { asc, count, eq, and, ne } from 'drizzle-orm';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { NO_MEANS } from '../../core/checks';
import { WobrelError } from '../../core/errors';
import { database, tables } from '../db';
import { photoThen, renderPool } from '../jobs';
import { keptPaths } from '../pictures';
import { plateCache, shareTemplate } from '../render';
import { originalPath } from '../store';
import { batchRow } from './batches';
import { deliveryFilesOf } from './delivery-files';

const { photos } = tables;

export type Trial = {
  /** Of the photo or group that it was made of. */
  photo: string;
  width: number;
  height: number;
  bytes: number;
  /** What its limit of bytes left of its quality. */
  quality: number | null;
};

/** The photo in the middle of a batch by the size of its file: as good as any for what files come to. */
async function middlePhoto(batchId: number): Promise<number> {
  const those = and(eq(photos.batchId, batchId), ne(photos.review, 'out'));
  const [all] = await database().select({ n: count() }).from(photos).where(those);
  const [row] = await database()
    .select({ id: photos.id })
    .from(photos)
    .where(those)
    .orderBy(asc(photos.bytes), asc(photos.id))
    .limit(1)
    .offset(Math.floor(all!.n / 2));
  if (!row) throw new WobrelError('nothing-to-export', 'The batch has no photos, or all are left out.');
  return row.id;
}

/**
 * @param output its place in the batch's template
 * @throws WobrelError `not-found`, `nothing-to-export`, `photo-broken`
 */
export async function trialOf(batchId: number, output: number): Promise<Trial> {
  const batch = await batchRow(batchId);
  const { template, cutouts } = await deliveryFilesOf(batch, [await middlePhoto(batchId)]);
  const [cutout] = cutouts;
  if (!template.outputs[output]) throw new WobrelError('not-found', 'There is no such output.');
  const { name, lead, slots, data } = cutout!;
  const shared = shareTemplate(template, batch.outline, NO_MEANS, keptPaths(template));
  const pool = renderPool();
  const plates = plateCache(pool, template, shared);
  const words = { photo: name, ...(slots && { stem: name }), batch: batch.name, index: 1, data };
  const folder = await mkdtemp(join(tmpdir(), 'wobrel-trial-'));
  try {
    const { files } = await pool.render({
      photos: (slots ?? [lead]).map((one, slot) => one && { source: originalPath(one.sha256), photo: { ...photoThen(one), name: one.photo, ...(slots && { slot }), words } }), // prettier-ignore
      words,
      template: shared,
      targets: [{ output, plate: await plates.of(template.outputs[output]), path: join(folder, 'trial') }],
      widest: await plates.widest(),
    });
    const { width, height, bytes, quality } = files[0]!;
    return { photo: name, width, height, bytes, quality };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
