/** A delivery's cutouts on pages for print, as PDF or SVG. */
import { and, asc, eq, isNotNull } from 'drizzle-orm';
import { readFile } from 'node:fs/promises';
import { shownIn } from '../render';
import { join } from 'node:path';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { fieldsOf, filled } from '../../core/fields';
import { pagesOf, pageSvg, setupSchema, type Pages } from '../../core/pages';
import { mapOutline, type Outline } from '../../core/shape';
import { keptTemplate, pictureOf, type Template } from '../../core/template';
import { tables } from '../db';
import { bringPageFont } from '../fonts';
import { outlinesOf } from '../geometry';
import { oncePerProcess } from '../once';
import { pagePicture, pagesPdf, type PagePicture } from '../pages';
import type { Here } from '../workspace';
import { deliveryRow } from './delivery-plans';

const { deliveryFiles, deliveryPhotos } = tables;

export const printQuery = setupSchema.extend({
  output: z.string().min(1).max(60),
  format: z.enum(['pdf', 'svg', 'png']).default('pdf'),
  /** Of an SVG or PNG, which hold one; from 1. */
  page: z.coerce.number().int().min(1).max(10_000).default(1),
});
type PrintQuery = z.infer<typeof printQuery>;

/** Most files of one document, pixels an inch that pictures in it have at most, as more is not printed, and pixels of all of them. */
const [MOST, PER_INCH, MOST_PIXELS] = [500, 300, 400_000_000];

/** Pixels in the width of a picture as it is printed. */
const printedWidth = (millimetres: number) => Math.max(1, Math.round((millimetres / 25.4) * PER_INCH));

/** The outlines that are cut along, in shares of the picture's width. */
async function cutOutlines(template: Template, outline: Outline | null): Promise<Outline[]> {
  const { left, top, width } = pictureOf(template);
  const cuts = await outlinesOf().cuts({ template, outline });
  return cuts.map((one) => mapOutline(one, [1 / width, 0, 0, 1 / width, -left / width, -top / width]));
}

/** The file's pixels, made smaller where they are finer than is printed. */
async function picture(path: string, width: number): Promise<PagePicture> {
  const file = await readFile(path).catch(() => {
    throw new WobrelError('gone', 'A file is missing from the delivery’s folder; export the batch again.');
  });
  const image = sharp(shownIn(path, file))
    .resize({ width: printedWidth(width), withoutEnlargement: true })
    .toColourspace('srgb');
  const [{ data: colours, info }, alpha] = await Promise.all([
    image.clone().removeAlpha().raw().toBuffer({ resolveWithObject: true }),
    image.clone().ensureAlpha().extractChannel('alpha').raw().toBuffer(),
  ]);
  return { width: info.width, height: info.height, colours, alpha: alpha.every((a) => a === 255) ? null : alpha };
}

/** The finished files of one output, with what texts know of each. */
async function filesOf(here: Here, id: number, output: string) {
  const rows = await here.db
    .select({
      file: deliveryFiles.file,
      width: deliveryFiles.width,
      height: deliveryFiles.height,
      photo: deliveryPhotos.photo,
      slots: deliveryPhotos.slots,
      data: deliveryPhotos.data,
    }) // prettier-ignore
    .from(deliveryFiles)
    .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
    .where(and(eq(deliveryFiles.deliveryId, id), eq(deliveryFiles.output, output), isNotNull(deliveryFiles.sha256)))
    .orderBy(asc(deliveryFiles.id))
    .limit(MOST + 1);
  if (rows.length === 0) throw new WobrelError('not-found', `The delivery has no files of an output ${output}.`);
  if (rows.length > MOST) throw new WobrelError('too-large', `Pages hold at most ${MOST} files.`);
  return rows.map(({ width, height, ...row }) => ({ ...row, width: width!, height: height! }));
}

/** Refuses what would take more memory than there is: a document is held whole until it is written. */
function refuseHuge(files: Awaited<ReturnType<typeof filesOf>>, millimetres: number): void {
  const pixels = files.reduce((sum, { width, height }) => {
    const printed = Math.min(width, printedWidth(millimetres));
    return sum + (printed * printed * height) / width;
  }, 0);
  if (pixels > MOST_PIXELS)
    throw new WobrelError('too-large', `Pages hold at most ${MOST_PIXELS / 1e6} megapixels: print them smaller, or fewer of them.`); // prettier-ignore
}

/** One document at a time: each is held in memory. */
const printing = () => oncePerProcess('printing', () => new PQueue({ concurrency: 1 }));

/**
 * The pages as one document, or, as SVG or PNG, one of them.
 *
 * @throws WobrelError `not-found`, `not-done`, `too-large`, `gone`, or `invalid` where there is no room on the page, or nothing to cut along
 */
export const printPages = (here: Here, id: number, query: PrintQuery) =>
  printing().add(() => printNow(here, id, query));

async function printNow(here: Here, id: number, { output, format, page, ...setup }: PrintQuery) {
  const delivery = await deliveryRow(here, id);
  if (delivery.state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const template = keptTemplate(delivery.document);
  const rows = await filesOf(here, id, output);
  refuseHuge(rows, setup.width);
  const trimmed = template.outputs.find(({ name }) => name === output)?.trim !== false;
  if (setup.marks === 'cut' && trimmed)
    throw new WobrelError('invalid', `Cut lines need an output that is not trimmed, and ${output} is.`, 'marks');
  await bringPageFont();
  const files = rows.map((row, i) => {
    const words = { photo: row.photo, ...(row.slots && { stem: row.photo }), batch: delivery.batchName, index: i + 1, data: row.data ?? {} }; // prettier-ignore
    const fields = fieldsOf({ ...words, template: template.name, output, width: row.width, height: row.height });
    return { ratio: row.height / row.width, caption: filled(setup.caption, fields) };
  });
  const pages: Pages = pagesOf(
    setup,
    files,
    setup.marks === 'cut' ? await cutOutlines(template, delivery.outline) : [],
  );
  const path = (file: number) => join(here.files.delivery(id), rows[file]!.file);
  if (format === 'pdf') return pagesPdf(pages, (file) => picture(path(file), setup.width), delivery.batchName);
  const one = pages.pages[page - 1];
  if (!one) throw new WobrelError('not-found', `There are ${pages.pages.length} pages.`);
  if (format === 'png') return pagePicture(one, pages.size, (file) => picture(path(file), setup.width));
  const png = async (file: number) => {
    const { width, height, colours, alpha } = await picture(path(file), setup.width);
    const image = sharp(colours, { raw: { width, height, channels: 3 } });
    const whole = alpha ? image.joinChannel(Buffer.from(alpha), { raw: { width, height, channels: 1 } }) : image;
    return `data:image/png;base64,${(await whole.png().toBuffer()).toString('base64')}`;
  };
  const addresses = new Map<number, string>();
  for (const { file } of one.pictures) addresses.set(file, await png(file));
  return Buffer.from(pageSvg(one, pages.size, (file) => addresses.get(file)!));
}
