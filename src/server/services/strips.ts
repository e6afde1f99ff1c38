/** The few cutouts that stand for each batch on its card. */
import { and, asc, eq, inArray, ne, sql } from 'drizzle-orm';
import { dataIn } from '../../core/fields';
import { groupsOf } from '../../core/groups';
import type { PhotoToPlace } from '../../core/placement';
import { hasSlots, keptTemplate, type Template } from '../../core/template';
import { tables } from '../db';
import type { Here } from '../workspace';
import { seenIn } from './seen';
import { byName } from './photo-order';

const { batches, photos, sights } = tables;

/** Cutouts shown on a batch's card. */
const STRIP = 5;

/** One cutout's photo, or its photos slot by slot. */
type Chosen = number | readonly (number | null)[];

type Seen = PhotoToPlace & { readonly id: number; readonly sha256: string; readonly name: string };
export type StripPhoto = Seen & { readonly group?: { readonly seats: readonly (Seen | null)[] } };

/** Photos of the given batches that stand for them, spread evenly through their lists. */
function choosePhotos(here: Here, ids: readonly number[]) {
  const db = here.db;
  const ranked = db
    .select({
      id: photos.id,
      batchId: photos.batchId,
      rank: sql<number>`row_number() over (partition by ${photos.batchId} order by ${photos.nameKey}, ${photos.name}, ${photos.id}) - 1`.as(
        'rank',
      ),
      step: sql<number>`max(1, count(*) over (partition by ${photos.batchId}) / ${sql.raw(String(STRIP))})`.as('step'),
    })
    .from(photos)
    .where(and(inArray(photos.batchId, [...ids]), ne(photos.review, 'out')))
    .as('ranked');
  return db
    .select({ id: ranked.id, batchId: ranked.batchId })
    .from(ranked)
    .where(sql`${ranked.rank} % ${ranked.step} = 0 and ${ranked.rank} / ${ranked.step} < ${sql.raw(String(STRIP))}`)
    .orderBy(asc(ranked.rank));
}

/** Groups of a batch whose template has slots, spread evenly. */
async function chooseGroups(
  here: Here,
  { id: batchId, fields }: typeof batches.$inferSelect,
  template: Template,
): Promise<Chosen[]> {
  const rows = await here.db
    .select({ id: photos.id, name: photos.name, data: photos.data })
    .from(photos)
    .where(and(eq(photos.batchId, batchId), ne(photos.review, 'out')))
    .orderBy(...byName);
  const { groups } = groupsOf(template, rows.map(({ name, data }) => ({ name, data: dataIn(fields, data) }))); // prettier-ignore
  const made = groups.filter(({ isMade }) => isMade);
  const step = Math.max(1, Math.floor(made.length / STRIP));
  return made
    .filter((_, i) => i % step === 0)
    .slice(0, STRIP)
    .map(({ seats }) => seats.map((place) => (place === null ? null : rows[place]!.id)));
}

/** What is chosen for every batch; what is not known is chosen and kept. */
async function chosenOf(
  here: Here,
  rows: readonly (typeof batches.$inferSelect)[],
): Promise<ReadonlyMap<number, readonly Chosen[]>> {
  const chosen = new Map<number, Chosen[]>(rows.map(({ id, strip }) => [id, [...(strip ?? [])]]));
  const unknown = rows.filter(({ strip }) => strip === null);
  if (unknown.length === 0) return chosen;
  const plain: number[] = [];
  for (const batch of unknown) {
    const { id } = batch;
    const template = keptTemplate(batch.draft);
    if (hasSlots(template)) chosen.set(id, await chooseGroups(here, batch, template));
    else plain.push(id);
  }
  if (plain.length > 0) for (const { id, batchId } of await choosePhotos(here, plain)) chosen.get(batchId)!.push(id);
  await here.write(async (tx) => {
    for (const { id } of unknown)
      await tx
        .update(batches)
        .set({ strip: chosen.get(id)! })
        .where(eq(batches.id, id));
  });
  return chosen;
}

async function photosBy(here: Here, ids: readonly number[]): Promise<ReadonlyMap<number, Seen>> {
  const rows = await here.db
    .select({
      id: photos.id,
      name: photos.name,
      sha256: photos.sha256,
      width: photos.width,
      height: photos.height,
      sight: sights.document,
      handSubject: photos.handSubject,
      adjustment: photos.adjustment,
    })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(inArray(photos.id, [...ids]));
  return new Map(rows.map((row) => [row.id, { ...row, sight: seenIn(row.sight).sight } as Seen]));
}

/** The strip of each batch, one photo for each cutout. */
export async function stripsOf(
  here: Here,
  rows: readonly (typeof batches.$inferSelect)[],
): Promise<ReadonlyMap<number, StripPhoto[]>> {
  const chosen = await chosenOf(here, rows);
  const known = await photosBy(
    here,
    [...chosen.values()].flat(2).filter((id) => id !== null),
  );
  const cutoutOf = (one: Chosen): StripPhoto[] => {
    if (typeof one === 'number') return known.has(one) ? [known.get(one)!] : [];
    const seats = one.map((id, slot) => (id !== null && known.has(id) ? { ...known.get(id)!, slot } : null));
    const first = seats.find((seat) => seat !== null);
    return first ? [{ ...first, group: { seats } }] : [];
  };
  return new Map([...chosen].map(([id, list]) => [id, list.flatMap(cutoutOf)]));
}
