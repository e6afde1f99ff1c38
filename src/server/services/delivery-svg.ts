/** A delivery's cutouts as vectors: each photo in an SVG of its own, clipped by the shape. */
import { and, asc, eq, gt } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { cutoutSvg } from '../../core/export';
import { fieldsOf } from '../../core/fields';
import { metadataFor } from '../../core/metadata';
import { keptTemplate, pictureOf, type Template } from '../../core/template';
import { rowsInTurns, tables } from '../db';
import { outlinesOf } from '../geometry';
import { openPhoto } from '../intake';
import type { Here } from '../workspace';
import { deliveryRow } from './delivery-plans';

const { deliveryFiles, deliveryPhotos } = tables;

/** Whether a template's cutouts are one photo in one shape. */
export const isOnePhoto = ({ slots = [], mode = 'cutout' }: Partial<Pick<Template, 'slots' | 'mode'>>): boolean =>
  slots.length === 0 && mode === 'cutout';

const QUALITY = 92;

/** The photo as a data URL, as fine as the widest output shows it and no finer. */
async function embedded(here: Here, sha256: string, width: number): Promise<string> {
  const image = openPhoto(here.files.original(sha256)).resize({ width, withoutEnlargement: true });
  const data = await image.jpeg({ quality: QUALITY, chromaSubsampling: '4:4:4' }).toBuffer();
  return `data:image/jpeg;base64,${data.toString('base64')}`;
}

/** The photos of a delivery that are done, each with the name of its first file, in their order. */
function photosOf(here: Here, deliveryId: number) {
  const page = (after: number, most: number) =>
    here.db
      .select({ id: deliveryPhotos.id, photo: deliveryPhotos, file: deliveryFiles.file })
      .from(deliveryPhotos)
      .innerJoin(
        deliveryFiles,
        and(eq(deliveryFiles.deliveryPhotoId, deliveryPhotos.id), eq(deliveryFiles.outputIndex, 0)),
      )
      .where(
        and(eq(deliveryPhotos.deliveryId, deliveryId), eq(deliveryPhotos.state, 'done'), gt(deliveryPhotos.id, after)),
      )
      .orderBy(asc(deliveryPhotos.id))
      .limit(most);
  return rowsInTurns(page);
}

/**
 * The SVG files one after the other, each made when its turn comes.
 *
 * @throws WobrelError `not-found`, `not-done`, or `invalid` where cutouts are not one photo in one shape
 */
export async function deliverySvgs(
  here: Here,
  id: number,
): Promise<AsyncGenerator<{ name: string; lastModified: Date; input: string }>> {
  const delivery = await deliveryRow(here, id);
  if (delivery.state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const template = keptTemplate(delivery.document);
  if (!isOnePhoto(template))
    throw new WobrelError('invalid', 'Only cutouts of one photo in one shape can be had as SVG.');
  const picture = pictureOf(template);
  const outline = (await outlinesOf().cuts({ template, outline: delivery.outline })).flat();
  const finest = Math.max(...template.outputs.map(({ width }) => width)) / picture.width;
  const lastModified = new Date(delivery.finishedAt ?? delivery.createdAt);
  return (async function* () {
    let index = 0;
    for await (const { photo, file } of photosOf(here, id)) {
      index++;
      const placement = photo.placed?.placement;
      if (!placement) continue;
      const words = { photo: photo.photo, batch: delivery.batchName, index, data: photo.data ?? {} };
      const fields = fieldsOf({ ...words, template: template.name, output: 'svg', width: 0, height: 0 });
      const { title, alt } = metadataFor(template.metadata, fields);
      const href = await embedded(here, photo.sha256, Math.max(1, Math.ceil(photo.width * placement.scale * finest)));
      const svg = cutoutSvg({ picture, outline, placement: { ...placement, mirror: placement.mirror ?? false }, photo, href, title: title ?? photo.photo, alt: alt ?? '' }); // prettier-ignore
      yield { name: file.replace(/\.[^./]*$/, '.svg'), lastModified, input: svg };
    }
  })();
}
