/** One cutout made as an output says, to see how large its files become. */
import { asc, count, eq, and, ne } from 'drizzle-orm';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { NO_MEANS } from '../../core/checks';
import { WobrelError } from '../../core/errors';
import { hasQuality } from '../../core/export';
import type { Output } from '../../core/template';
import { tables } from '../db';
import { photoThen, renderPool } from '../jobs';
import { keptPaths } from '../pictures';
import { plateCache, shareTemplate, type Loss } from '../render';
import type { Here } from '../workspace';
import { batchRow } from './batches';
import { cutoutsNow } from './delivery-files';

const { photos } = tables;

export type Trial = {
  /** Of the photo or group that it was made of. */
  photo: string;
  width: number;
  height: number;
  bytes: number;
  /** What its limit of bytes left of its quality. */
  quality: number | null;
  /** What the format lost; null where it loses nothing. */
  loss: Pick<Loss, 'ssim' | 'largest'> | null;
};

/** The photo in the middle of a batch by the size of its file: as good as any for what files come to. */
async function middlePhoto(here: Here, batchId: number): Promise<number> {
  const those = and(eq(photos.batchId, batchId), ne(photos.review, 'out'));
  const [all] = await here.db.select({ n: count() }).from(photos).where(those);
  const [row] = await here.db
    .select({ id: photos.id })
    .from(photos)
    .where(those)
    .orderBy(asc(photos.bytes), asc(photos.id))
    .limit(1)
    .offset(Math.floor(all!.n / 2));
  if (!row) throw new WobrelError('nothing-to-export', 'The batch has no photos, or all are left out.');
  return row.id;
}

/** The same output without any loss: what its files are held against. It is called the same, since captions may say so. */
const exactly = (output: Output): Output => ({ ...output, format: 'png', lossless: false, colours: null, maxKB: null, effort: 'quick' }); // prettier-ignore

/** Formats give every pixel back, but for these. */
const isLossy = (output: Output): boolean =>
  hasQuality(output) || output.format === 'gif' || (output.format === 'png' && output.colours !== null);

/** Makes the middle photo's file, and with it one without loss where the format has any. */
async function tried(here: Here, batchId: number, output: number) {
  const batch = await batchRow(here, batchId);
  const { template: own, cutouts } = await cutoutsNow(here, batch, [await middlePhoto(here, batchId)]);
  const [cutout] = cutouts;
  const asked = own.outputs[output];
  if (!asked) throw new WobrelError('not-found', 'There is no such output.');
  const template = { ...own, outputs: [...own.outputs, exactly(asked)] };
  const { name, lead, slots, data } = cutout!;
  const shared = shareTemplate(template, batch.outline, NO_MEANS, keptPaths(here, template));
  const pool = renderPool();
  const plates = plateCache(pool, template, shared);
  const words = { photo: name, ...(slots && { stem: name }), batch: batch.name, index: 1, data };
  const folder = await mkdtemp(join(tmpdir(), 'wobrel-trial-'));
  try {
    const plate = await plates.of(asked);
    const paths = ['trial', 'exact'].map((file) => join(/*turbopackIgnore: true*/ folder, file));
    const [made, exact] = [{ output, plate, path: paths[0]! }, { output: own.outputs.length, plate, path: paths[1]! }]; // prettier-ignore
    const { files } = await pool.render({
      photos: (slots ?? [lead]).map((one, slot) => one && { source: here.files.original(one.sha256), photo: { ...photoThen(one), name: one.photo, ...(slots && { slot }), words } }), // prettier-ignore
      words,
      template: shared,
      targets: isLossy(asked) ? [made, exact] : [made],
      widest: await plates.widest(),
    });
    const loss = isLossy(asked) ? await pool.loss({ file: paths[0]!, exact: paths[1]! }) : null;
    return { photo: name, file: files[0]!, loss };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * @param output its place in the batch's template
 * @throws WobrelError `not-found`, `nothing-to-export`, `photo-broken`
 */
export async function trialOf(here: Here, batchId: number, output: number): Promise<Trial> {
  const { photo, file, loss } = await tried(here, batchId, output);
  const { width, height, bytes, quality } = file;
  return { photo, width, height, bytes, quality, loss: loss && { ssim: loss.ssim, largest: loss.largest } };
}

/**
 * What the format lost of the middle photo: differences eight times as strong, on black, as WebP.
 *
 * @throws WobrelError as a trial does, or `not-found` where the format loses nothing
 */
export async function lossPicture(here: Here, batchId: number, output: number): Promise<Uint8Array<ArrayBuffer>> {
  const { loss } = await tried(here, batchId, output);
  if (!loss) throw new WobrelError('not-found', 'This format loses nothing.');
  return loss.picture;
}
