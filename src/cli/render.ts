/** `wobrel render`: photos through a template into a folder, without a server. */
import { join } from 'node:path';
import PQueue from 'p-queue';
import { findingsOf, type CheckedPhoto } from '../core/checks';
import { WobrelError } from '../core/errors';
import type { PhotoData, PhotoWords } from '../core/fields';
import { seated, spokenOf } from '../core/groups';
import { withSizes } from '../core/placement';
import { failedItem, namer, type Manifest, type ManifestItem } from '../core/export';
import { picksOf } from '../core/plate';
import type { Sight } from '../core/sight';
import { hasSlots, outputHeight, outputsOf, pictureOf, slotTemplates, type Template } from '../core/template';
import { bringCaptionFonts } from '../server/fonts';
import { inspectPhoto } from '../server/intake';
import type { PicturePaths } from '../server/pictures';
import { plateCache, shareTemplate } from '../server/render';
import { writeWhole } from '../server/store';
import { createEngine, type Engine } from './engine';
import { prepareFolder } from './out-folder';
import { pictureFiles, type PictureFiles } from './pictures';
import { readTemplateFile, refuseLocked } from './template';
import { photoData } from './photo-data';
import { photoFiles, type NamedPhoto } from './photo-files';

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

/** A photo that was looked at, or why it can't be worked with. */
type Seen = { readonly path: string } & (
  { readonly photo: CheckedPhoto & { readonly name: string; readonly words: PhotoWords } } | { readonly fault: string }
);

/** What is the photo's own fault is told of it; anything else ends the run. */
function faultOf(error: unknown): string {
  if (error instanceof WobrelError && error.code !== 'cannot-write') return error.message;
  throw error;
}

/**
 * Inspects a photo and looks at it. A single photo is looked at only where the template
 * goes by what is seen: there is nothing to compare it with.
 *
 * @returns a function of a photo and its place in the batch, from 1
 */
function looker(engine: Engine, template: Template, alone: boolean, dataOf: (place: number) => PhotoData) {
  const own = slotTemplates(template);
  const isCentred = ({ centring: { rule, straighten } }: Template) => rule !== 'middle' || straighten === 'eyes';
  // What a photo is of matters to where it lies, and to colours that are taken from it.
  const all = own.some((one) => isCentred(one) || picksOf(one).length > 0);
  const looks = !alone || all || own.some(({ centring }) => centring.gap === 'extend');
  return async ({ path, fault }: NamedPhoto, index: number): Promise<Seen> => {
    if (fault !== null) return { path, fault };
    try {
      const facts = await inspectPhoto(path);
      // A photo that can't be looked at is a finding; whether it can be read shows when it is rendered.
      const sight: Sight | null = looks ? await engine.see(path, all).catch(() => null) : null;
      return {
        path,
        photo: {
          ...facts,
          name: path,
          words: { photo: path, batch: '', index, data: dataOf(index - 1) },
          sight,
          unseen: looks && sight === null,
        },
      };
    } catch (error) {
      return { path, fault: faultOf(error) };
    }
  };
}

type SeenPhoto = Extract<Seen, { readonly photo: unknown }>['photo'];

/** One cutout to be made, of one photo or of several; or a photo that can't be worked with. */
type Cutout = { readonly name: string; readonly isGroup?: boolean } & (
  { readonly photos: readonly (SeenPhoto | null)[]; readonly data: PhotoData } | { readonly fault: string }
);

/** What the photos make: a cutout each, or one a group; a photo at fault is an item of its own. */
function cutoutsOf(template: Template, seen: readonly Seen[]): Cutout[] {
  const one = (of: Seen): Cutout =>
    'fault' in of
      ? { name: of.path, fault: of.fault }
      : { name: of.path, photos: [of.photo], data: of.photo.words.data ?? {} };
  if (!hasSlots(template)) return seen.map(one);
  const good = seen.flatMap((of) => ('photo' in of ? [of.photo] : []));
  return [
    ...seated(template, good)
      .map(spokenOf)
      .flatMap(({ name, slot, group, words }): Cutout[] => {
        if (group?.isMade) return [{ name: group.name, isGroup: true, photos: group.seats, data: words.data ?? {} }];
        if (group) return [{ name: group.name, fault: `no photo for ${group.missing.join(', ')}` }];
        return slot === null ? [{ name, fault: 'no slot takes this photo' }] : [];
      }),
    ...seen.filter((of) => 'fault' in of).map(one),
  ];
}

/** How texts speak of a cutout. */
const wordsOf = ({ name, isGroup }: Cutout, data: PhotoData, index: number): PhotoWords => ({
  photo: name,
  ...(isGroup && { stem: name }),
  batch: '',
  index,
  data,
});

/** Renders the cutouts; one that fails is an item with its error. */
function renderer(engine: Engine, given: Template, pictures: PicturePaths, seen: readonly Seen[], out: string) {
  const good = seated(given, seen.flatMap((one) => ('photo' in one ? [one.photo] : []))); // prettier-ignore
  const template = withSizes(given, good);
  const { means, twins } = findingsOf(template, good);
  const twinOf = new Map(good.map(({ name }, i) => [name, twins[i] ?? null]));
  const groupOf = new Map(good.map(({ name, group }) => [name, group]));
  const shared = shareTemplate(template, null, means, pictures);
  const plates = plateCache(engine, template, shared);
  return async (cutout: Cutout, index: number, files: readonly string[]): Promise<ManifestItem[]> => {
    if ('fault' in cutout) return [failedItem(cutout.name, cutout.fault)];
    const outputs = outputsOf(template.outputs, index - 1);
    try {
      const targets = await Promise.all(
        outputs.map(async ({ output, place }, i) => ({
          output: place,
          plate: await plates.of(output),
          path: join(out, files[i]!),
        })),
      );
      const widest = await plates.widest();
      const words = wordsOf(cutout, cutout.data, index);
      const photos = cutout.photos.map((photo) => photo && { source: photo.name, photo: { ...photo, words, twin: twinOf.get(photo.name) ?? null, group: groupOf.get(photo.name) } }); // prettier-ignore
      const { files: written, findings, ...placed } = await engine.render({ photos, words, template: shared, targets, widest }); // prettier-ignore
      return outputs.map(({ output, place }, i) => ({
        photo: cutout.name,
        output: output.name,
        file: files[i]!,
        ...written[i]!,
        ...placed,
        findings: findings[place]!,
        error: null,
      }));
    } catch (error) {
      return [failedItem(cutout.name, faultOf(error))];
    }
  };
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
  // One more than threads, so that none waits for a file.
  const queue = new PQueue({ concurrency: engine.threads + 1 });
  try {
    const look = looker(engine, template, photos.length === 1, table?.of ?? (() => ({})));
    const seen = await Promise.all(photos.map((photo, i) => queue.add(() => look(photo, i + 1))));
    const nameFile = namer(names);
    const make = renderer(engine, template, pictures, seen, call.out);
    const cutouts = cutoutsOf(template, seen);
    let done = 0;
    const items = await Promise.all(
      cutouts.map((cutout, i) => {
        const parts = { ...wordsOf(cutout, 'data' in cutout ? cutout.data : {}, i + 1), template: template.name };
        const files = outputsOf(template.outputs, i).map(({ output }) =>
          nameFile(output, { ...parts, height: outputHeight(pictureOf(template), output.width) }),
        );
        return queue.add(async () => {
          const made = await make(cutout, i + 1, files);
          report.done(++done, cutouts.length);
          return made;
        });
      }),
    );
    const manifest = { template: template.name, startedAt, items: items.flat() };
    await writeWhole(join(call.out, 'manifest.json'), JSON.stringify(manifest, null, 2) + '\n');
    return manifest;
  } finally {
    queue.clear();
    await engine.close();
    await release();
  }
}
