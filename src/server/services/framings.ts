/** The framings that people have kept by name. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import { framingDocument, type Framing } from '../../core/template';
import { tables } from '../db';
import { demand, note, type Here } from '../workspace';

const { framings } = tables;

/** Most that a workspace keeps: all of them are shown on a photo. */
const MOST = 60;

export const savedFramingSchema = z.strictObject({
  name: z.string().trim().min(1, { error: 'a framing needs a name' }).max(120),
  framing: framingDocument,
});

export type OwnFraming = { readonly id: number; readonly name: string; readonly framing: Framing };

/** Every own framing by name. */
export async function listFramings(here: Here): Promise<readonly OwnFraming[]> {
  const rows = await here.db.select().from(framings);
  // What was kept before a field came has its default.
  return inNameOrder(rows, ({ name }) => name).map(({ id, name, document }) => ({
    id,
    name,
    framing: framingDocument.parse(document),
  }));
}

/**
 * Keeps a framing under a new name.
 *
 * @throws WobrelError `conflict` where there is one of that name, or no room for one more
 */
export async function saveFraming(
  here: Here,
  { name, framing: document }: z.output<typeof savedFramingSchema>,
): Promise<{ id: number }> {
  demand(here, 'maker');
  const row = await here.write(async (tx) => {
    const known = await tx.select({ name: framings.name }).from(framings);
    if (known.length >= MOST)
      throw new WobrelError('conflict', `There are ${MOST} framings already; delete one first.`);
    if (known.some((one) => one.name === name)) return null;
    const [made] = await tx.insert(framings).values({ name, document }).returning({ id: framings.id });
    await note(tx, here, { verb: 'made', kind: 'framing', subject: made!.id, name });
    return made!;
  });
  if (!row)
    throw new WobrelError('conflict', `There is a framing called ${name} already; choose another name.`, 'name');
  return row;
}

/** Takes a framing out; templates that have it keep what they have. */
export async function deleteFraming(here: Here, id: number): Promise<void> {
  demand(here, 'maker');
  await here.write(async (tx) => {
    const [row] = await tx.delete(framings).where(eq(framings.id, id)).returning({ name: framings.name });
    if (row) await note(tx, here, { verb: 'deleted', kind: 'framing', subject: id, name: row.name });
  });
}
