/** How many photos of a batch there are to look at, counted behind the requests. */
import { and, eq } from 'drizzle-orm';
import PQueue from 'p-queue';
import { keptTemplate } from '../../core/template';
import { tables } from '../db';
import { outlinesOf } from '../geometry';
import { oncePerWorkspace, type Here } from '../workspace';
import { countedPhotos, countedRows } from './counted-photos';

const { batches } = tables;

type Counting = { readonly queue: PQueue; readonly asked: Set<number> };
const counting = (here: Here) =>
  oncePerWorkspace<Counting>(here, 'counting', () => ({ queue: new PQueue({ concurrency: 1 }), asked: new Set() }));

/** Counts a batch's findings in a thread and notes them, unless it has changed meanwhile: then it is counted again when asked for. */
export async function countFindings(here: Here, batchId: number): Promise<void> {
  const [before] = await here.db.select().from(batches).where(eq(batches.id, batchId));
  if (!before || before.findingCount !== null) return;
  const seen = countedPhotos(await countedRows(here, batchId), before);
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
