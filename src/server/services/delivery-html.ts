/** A delivery as HTML that shows its pictures. */
import { and, asc, eq, gt, isNotNull } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { picturePage, type HtmlFile } from '../../core/export';
import { fieldsOf } from '../../core/fields';
import { metadataFor } from '../../core/metadata';
import { keptTemplate } from '../../core/template';
import { rowsInTurns, tables } from '../db';
import type { Here } from '../workspace';
import { deliveryRow } from './delivery-plans';

const { deliveryFiles, deliveryPhotos } = tables;

export const htmlQuery = z.strictObject({
  /** What comes before the files' names in their addresses. */
  prefix: z.string().max(500).default(''),
});

type Shown = { alt: string; files: HtmlFile[] };

/** Of each finished file what the page says, in the order of the delivery. */
function finishedFiles(here: Here, deliveryId: number) {
  const { file, outputIndex, width, height } = deliveryFiles;
  const { id, photo, slots, data } = deliveryPhotos;
  const page = (after: number, most: number) =>
    here.db
      .select({ id: deliveryFiles.id, file: { file, outputIndex, width, height }, photo: { id, photo, slots, data } })
      .from(deliveryFiles)
      .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
      .where(
        and(eq(deliveryFiles.deliveryId, deliveryId), isNotNull(deliveryFiles.sha256), gt(deliveryFiles.id, after)),
      )
      .orderBy(asc(deliveryFiles.id))
      .limit(most);
  return rowsInTurns(page);
}

/**
 * One `picture` element a cutout, in the order of the delivery, with its alternative text.
 *
 * @throws WobrelError `not-found`, `not-done`
 */
export async function deliveryHtml(here: Here, id: number, prefix: string): Promise<string> {
  const delivery = await deliveryRow(here, id);
  if (delivery.state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const template = keptTemplate(delivery.document);
  const shown = new Map<number, Shown>();
  for await (const { file, photo } of finishedFiles(here, id)) {
    const output = template.outputs[file.outputIndex]!;
    const [width, height] = [file.width!, file.height!];
    if (!shown.has(photo.id)) {
      const words = { photo: photo.photo, ...(photo.slots && { stem: photo.photo }), batch: delivery.batchName, index: shown.size + 1, data: photo.data ?? {} }; // prettier-ignore
      const fields = fieldsOf({ ...words, template: template.name, output: output.name, width, height });
      shown.set(photo.id, { alt: metadataFor(template.metadata, fields).alt ?? '', files: [] });
    }
    shown.get(photo.id)!.files.push({ file: file.file, format: output.format, width, height });
  }
  return picturePage(delivery.batchName, [...shown.values()], prefix);
}
