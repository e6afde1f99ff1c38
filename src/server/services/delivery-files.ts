/** What a delivery will consist of: every file with its name, what it depends on, and whether it is there already. */
import { and, asc, desc, eq, gt, isNotNull } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { dataIn, joinedData, type PhotoData } from '../../core/fields';
import { namer } from '../../core/export';
import {
  hasSlots,
  keptTemplate,
  outputHeight,
  outputsOf,
  pictureOf,
  slotTemplates,
  type Output,
  type Template,
} from '../../core/template';
import { othersTurn, rowsInTurns, tables, type Recipe } from '../db';
import { outlinesOf } from '../geometry';
import type { SeenThen } from '../jobs';
import { renderStamp } from '../render';
import type { Here } from '../workspace';
import type { batchRow } from './batches';
import { cutoutsOf } from './cutouts';
import { countedPhotos, countedRows, type CountedRow } from './counted-photos';
import { recipeKey, recipesOf } from './recipes';
import { seenIn } from './seen';

const { deliveries, deliveryFiles, deliveryPhotos } = tables;

type Batch = Awaited<ReturnType<typeof batchRow>>;

/** A photo as it is now, to be delivered as it was then. */
const then = ({ photo: { name, sha256, width, height, hasAlpha, handSubject, adjustment }, sight }: CountedRow) => ({
  photo: name,
  sha256,
  width,
  height,
  hasAlpha,
  seen: { ...seenIn(sight), handSubject, adjustment } as SeenThen,
});

type Then = ReturnType<typeof then>;

/** A file of the last delivery. */
export type OldFile = { readonly id: number; readonly photo: string; readonly output: string; readonly file: string; readonly recipe: Recipe | null }; // prettier-ignore

export type PlannedFile = {
  readonly output: Output;
  readonly outputIndex: number;
  readonly file: string;
  readonly recipe: Recipe;
  /** The file of a recent delivery that it is byte for byte. */
  readonly same: OldFile | null;
};

/** A cutout with its photos as they are now. */
type CutoutThen = {
  readonly name: string;
  readonly lead: Then;
  /** One a slot, null where a slot has none; null where the template has no slots. */
  readonly slots: readonly ((Then & { readonly standsIn: boolean }) | null)[] | null;
  readonly data: PhotoData;
};

export type PlannedCutout = CutoutThen & { readonly files: readonly PlannedFile[] };

export type LastDelivery = {
  readonly id: number;
  readonly createdAt: number;
  readonly files: readonly OldFile[];
};

export type DeliveryFiles = {
  readonly template: Template;
  readonly cutouts: readonly PlannedCutout[];
  readonly last: LastDelivery | null;
};

/** The batch's template as it is delivered: sizes like the batch are those of the whole batch, as on the wall. */
async function sizedTemplate(batch: Batch, rows: readonly CountedRow[]): Promise<Template> {
  const template = keptTemplate(batch.draft);
  if (!slotTemplates(template).some(({ centring }) => centring.size === 'batch')) return template;
  return outlinesOf().sized({ template, outline: batch.outline }, countedPhotos(rows, batch));
}

/** Deliveries that files are taken over from: the last may have been of a few photos. */
const RECENT = 4;

/** The finished files of a delivery. */
async function oldFiles(here: Here, id: number): Promise<readonly OldFile[]> {
  const page = (after: number, most: number) =>
    here.db
      .select({
        id: deliveryFiles.id,
        photo: deliveryPhotos.photo,
        output: deliveryFiles.output,
        file: deliveryFiles.file,
        recipe: deliveryFiles.recipe,
      })
      .from(deliveryFiles)
      .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
      .where(and(eq(deliveryFiles.deliveryId, id), isNotNull(deliveryFiles.sha256), gt(deliveryFiles.id, after)))
      .orderBy(asc(deliveryFiles.id))
      .limit(most);
  const files: OldFile[] = [];
  for await (const file of rowsInTurns(page)) files.push(file);
  return files;
}

/** The newest deliveries of a batch that were finished, the newest first, with their files. */
async function recentDeliveries(here: Here, batchId: number): Promise<readonly LastDelivery[]> {
  const recent = await here.db
    .select({ id: deliveries.id, createdAt: deliveries.createdAt })
    .from(deliveries)
    .where(and(eq(deliveries.batchId, batchId), eq(deliveries.state, 'done')))
    .orderBy(desc(deliveries.id))
    .limit(RECENT);
  const found: LastDelivery[] = [];
  for (const one of recent) found.push({ ...one, files: await oldFiles(here, one.id) });
  return found;
}

/**
 * What would be delivered of a batch, by the template as it is delivered.
 *
 * @param only ids of the photos to export; null all that are not left out
 * @throws WobrelError `nothing-to-export`
 */
export async function cutoutsNow(
  here: Here,
  batch: Batch,
  only: readonly number[] | null,
): Promise<{ readonly template: Template; readonly cutouts: readonly CutoutThen[] }> {
  const rows = await countedRows(here, batch.id);
  const template = await sizedTemplate(batch, rows);
  const all = rows.map((row) => ({ ...row, name: row.photo.name, data: dataIn(batch.fields, row.photo.data) }));
  const wanted = only && new Set(only);
  const cutouts = cutoutsOf(template, all).filter(
    ({ lead, slots }) => !wanted || (slots ?? [lead]).some((row) => row !== null && wanted.has(row.photo.id)),
  );
  if (cutouts.length === 0)
    throw new WobrelError(
      'nothing-to-export',
      all.length > 0 && hasSlots(template)
        ? 'No group of photos is whole enough to be exported: see Slots for what stands in.'
        : 'The batch has no photos to export, or all are left out.',
    );
  const asThen = ({ name, lead, slots }: (typeof cutouts)[number]): CutoutThen => ({
    name,
    lead: then(lead),
    slots: slots && slots.map((seat) => seat && { ...then(seat), standsIn: seat.standsIn }),
    data: joinedData((slots ?? [lead]).flatMap((seat) => (seat ? [seat.data] : []))),
  });
  return { template, cutouts: cutouts.map(asThen) };
}

/** Cutouts whose files are worked out before others have their turn. */
const AT_ONCE = 25;

/**
 * Works a delivery out, and changes nothing.
 *
 * @param only ids of the photos to export; null all that are not left out
 * @throws WobrelError `nothing-to-export`
 */
export async function deliveryFilesOf(
  here: Here,
  batch: Batch,
  only: readonly number[] | null,
): Promise<DeliveryFiles> {
  const { template, cutouts } = await cutoutsNow(here, batch, only);
  const recent = await recentDeliveries(here, batch.id);
  // Of several the newest counts: it is put in last.
  const known = recent.toReversed().flatMap(({ files }) => files);
  const byRecipe = new Map(known.flatMap((old) => (old.recipe ? [[recipeKey(old.recipe), old] as const] : [])));
  const recipes = recipesOf(template, await renderStamp());
  const nameFile = namer();
  const picture = pictureOf(template);
  const planned: PlannedCutout[] = [];
  for (const [i, cutout] of cutouts.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await othersTurn();
    const { name, lead, slots, data } = cutout;
    const words = { photo: name, ...(slots && { stem: name }), batch: batch.name, index: i + 1, data };
    const recipeFor = recipes(slots ?? [lead], words);
    const files = outputsOf(template.outputs, i).map(({ output, place: outputIndex }): PlannedFile => {
      const recipe = recipeFor(output);
      const height = outputHeight(picture, output.width);
      const file = nameFile(output, { ...words, template: template.name, height });
      return { output, outputIndex, file, recipe, same: byRecipe.get(recipeKey(recipe)) ?? null };
    });
    planned.push({ ...cutout, files });
  }
  return { template, cutouts: planned, last: recent[0] ?? null };
}
