/** How many photos of a batch there are to look at, counted behind the requests. */
import { and, eq, ne } from 'drizzle-orm';
import PQueue from 'p-queue';
import type { BatchPhoto } from '../../core/checks';
import { dataIn } from '../../core/fields';
import { seated, spokenOf } from '../../core/groups';
import type { Adjustment, HandSubject } from '../../core/placement';
import { keptTemplate } from '../../core/template';
import { tables } from '../db';
import { outlinesOf } from '../geometry';
import { oncePerWorkspace, type Here } from '../workspace';
import { seenIn } from './seen';

const { batches, photos, sights } = tables;

type Counting = { readonly queue: PQueue; readonly asked: Set<number> };
const counting = (here: Here) =>
  oncePerWorkspace<Counting>(here, 'counting', () => ({ queue: new PQueue({ concurrency: 1 }), asked: new Set() }));

/** The photos that count, in their slots, as the checks see them. */
export async function countedPhotos(
  here: Here,
  { id: batchId, name: batch, draft, fields }: typeof batches.$inferSelect,
): Promise<readonly BatchPhoto[]> {
  const rows = await here.db
    .select({ photo: photos, sight: sights.document })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(and(eq(photos.batchId, batchId), ne(photos.review, 'out')))
    .orderBy(photos.name, photos.id);
  const all = rows.map(
    ({ photo: { name, review, width, height, hasAlpha, handSubject, adjustment, data }, sight }, i) => ({
      name,
      words: { photo: name, batch, index: i + 1, data: dataIn(fields, data) },
      review,
      width,
      height,
      hasAlpha,
      ...seenIn(sight),
      handSubject: handSubject as HandSubject | null,
      adjustment: adjustment as Adjustment | null,
    }),
  );
  return seated(keptTemplate(draft), all).map(spokenOf);
}

/** Counts a batch's findings in a thread and notes them, unless it has changed meanwhile: then it is counted again when asked for. */
export async function countFindings(here: Here, batchId: number): Promise<void> {
  const [before] = await here.db.select().from(batches).where(eq(batches.id, batchId));
  if (!before || before.findingCount !== null) return;
  const seen = await countedPhotos(here, before);
  const kept = { template: keptTemplate(before.draft), outline: before.outline };
  const toLookAt = await outlinesOf().findings(kept, seen);
  await here.write(async (tx) => {
    const { revision, changes } = before;
    const unchanged = and(eq(batches.id, batchId), eq(batches.revision, revision), eq(batches.changes, changes));
    await tx.update(batches).set({ findingCount: toLookAt }).where(unchanged);
  });
}

/** Has findings counted soon; asked for twice, they are counted once. */
export function askForFindings(here: Here, batchId: number): void {
  const { queue, asked } = counting(here);
  if (asked.has(batchId)) return;
  asked.add(batchId);
  void queue.add(async () => {
    asked.delete(batchId);
    await countFindings(here, batchId).catch((error: unknown) =>
      console.error(`Batch ${batchId} could not be checked:`, error),
    );
  });
}
