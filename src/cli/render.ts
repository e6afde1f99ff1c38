/** `wobrel render`: photos through a template into a folder, without a server. */
import { join } from 'node:path';
import PQueue from 'p-queue';
import { compared } from '../core/checks';
import { WobrelError } from '../core/errors';
import { seated } from '../core/groups';
import { withSizes } from '../core/placement';
import { namer, type Manifest } from '../core/export';
import { outputHeight, outputsOf, pictureOf, type Template } from '../core/template';
import { bringCaptionFonts } from '../server/fonts';
import type { PicturePaths } from '../server/pictures';
import { plateCache, shareTemplate } from '../server/render';
import { writeWhole } from '../server/store';
import { cutoutsOf, wordsOf, type Cutout } from './cutouts';
import { developed } from './developed';
import { createEngine, type Engine } from './engine';
import { itemsOf, type Failed, type Made } from './items';
import { prepareFolder } from './out-folder';
import { pictureFiles, type PictureFiles } from './pictures';
import { faultOf, looker, lookingFor, type Looking, type Seen } from './seen';
import { readTemplateFile, refuseLocked } from './template';
import { photoData } from './photo-data';
import { photoFiles } from './photo-files';

export type RenderCall = {
  readonly template: string;
  /** The template's file that it is made from, whose locks are kept. */
  readonly from?: string | undefined;
  readonly out: string;
  readonly photos: readonly string[];
  /** A table of photo data. */
  readonly data?: string | undefined;
};

/** A template's file with its pictures as files. */
async function readTemplate(path: string): Promise<{ template: Template; pictures: PictureFiles }> {
  const { template, packed } = await readTemplateFile(path);
  try {
    return { template, pictures: await pictureFiles(template, packed) };
  } catch (error) {
    if (error instanceof WobrelError) throw new WobrelError(error.code, `${path}: ${error.message}`, error.at);
    throw error;
  }
}

type Run = {
  readonly engine: Engine;
  readonly template: Template;
  readonly pictures: PicturePaths;
  readonly seen: readonly Seen[];
  readonly looking: Looking;
  readonly out: string;
};

/** Renders cutouts; one that fails is told with its error. */
function renderer({ engine, template: given, pictures, seen, looking, out }: Run) {
  const good = seated(given, seen.flatMap((one) => ('photo' in one ? [one.photo] : []))); // prettier-ignore
  const template = withSizes(given, good);
  const { means, twins } = compared(template, good);
  const twinOf = new Map(good.map(({ name }, i) => [name, twins[i] ?? null]));
  const groupOf = new Map(good.map(({ name, group }) => [name, group]));
  const shared = shareTemplate(template, null, means, pictures);
  const plates = plateCache(engine, template, shared);
  const isLookedAt = looking === 'on-the-way';
  const make = async (cutout: Cutout, index: number, files: readonly string[]): Promise<Made | Failed> => {
    if ('fault' in cutout) return cutout;
    const { name } = cutout;
    const outputs = outputsOf(template.outputs, index - 1);
    try {
      const targets = await Promise.all(
        outputs.map(async ({ output, place }, i) => ({
          output: place,
          plate: await plates.of(output),
          path: join(out, files[i]!),
        })),
      );
      const widest = await plates.widest(isLookedAt);
      const words = wordsOf(cutout, index);
      const photos = cutout.photos.map((photo) => photo && { source: photo.source, photo: { ...photo, words, twin: twinOf.get(photo.name) ?? null, group: groupOf.get(photo.name) } }); // prettier-ignore
      const rendered = await engine.render({ photos, words, template: shared, targets, widest, isLookedAt });
      return { name, photos: cutout.photos, files, places: outputs.map(({ place }) => place), rendered };
    } catch (error) {
      return { name, fault: faultOf(error) };
    }
  };
  return { make, itemsOf: (all: readonly (Made | Failed)[]) => itemsOf(template, all, isLookedAt) };
}

type Report = {
  /** Called after each photo with the number done and the number in all. */
  readonly done: (done: number, all: number) => void;
  /** What is odd and does not stop the run, in a sentence. */
  readonly odd: (words: string) => void;
};

/**
 * Renders all photos and writes the manifest.
 *
 * @returns the manifest; failed photos are items with an `error`
 * @throws WobrelError where the call or the template is wrong, or nothing can be written
 */
export async function render(call: RenderCall, report: Report): Promise<Manifest> {
  const { template, pictures } = await readTemplate(call.template);
  try {
    if (call.from !== undefined) refuseLocked(call.template, template, await readTemplateFile(call.from));
    return await renderWith(template, pictures.paths, call, report);
  } finally {
    await pictures.remove();
  }
}

async function renderWith(
  template: Template,
  pictures: PicturePaths,
  call: RenderCall,
  report: Report,
): Promise<Manifest> {
  const startedAt = new Date().toISOString();
  const photos = await photoFiles(call.photos);
  if (photos.length === 0) throw new WobrelError('no-photos', 'there are no photos to render');
  const table = call.data === undefined ? null : await photoData(call.data, photos);
  table?.faults.forEach(report.odd);
  const makesFolders = template.outputs.some(({ file }) => file.includes('/'));
  const { names, release } = await prepareFolder(call.out, makesFolders);
  await bringCaptionFonts(template);
  const engine = createEngine(photos.length);
  const own = developed(engine);
  // One more than threads, so that none waits for a file.
  const queue = new PQueue({ concurrency: engine.threads + 1 });
  try {
    const looking = lookingFor(template, photos.length === 1);
    const look = looker(engine, own, looking, table?.of ?? (() => ({})));
    const seen = await Promise.all(photos.map((photo, i) => queue.add(() => look(photo, i + 1))));
    const nameFile = namer(names);
    const run = renderer({ engine, template, pictures, seen, looking, out: call.out });
    const cutouts = cutoutsOf(template, seen);
    let done = 0;
    const all = await Promise.all(
      cutouts.map((cutout, i) => {
        const parts = { ...wordsOf(cutout, i + 1), template: template.name };
        const files = outputsOf(template.outputs, i).map(({ output }) =>
          nameFile(output, { ...parts, height: outputHeight(pictureOf(template), output.width) }),
        );
        return queue.add(async () => {
          const made = await run.make(cutout, i + 1, files);
          report.done(++done, cutouts.length);
          return made;
        });
      }),
    );
    const manifest = { template: template.name, startedAt, items: run.itemsOf(all) };
    await writeWhole(join(call.out, 'manifest.json'), JSON.stringify(manifest, null, 2) + '\n');
    return manifest;
  } finally {
    queue.clear();
    await engine.close();
    await own.remove();
    await release();
  }
}
