/** What a render thread is asked for, and its answer. */
import { WobrelError } from '../../core/errors';
import type { CheckedPhoto } from '../../core/checks';
import type { PhotoWords } from '../../core/fields';
import {
  findingItem,
  heavyFinding,
  placedItem,
  slotsItem,
  type ManifestItem,
  type PlacedItem,
} from '../../core/export';
import { outsideOf, seenAgain } from '../../core/placement';
import { compile, sharedPlate, type Plate } from '../../core/plate';
import { hasSlots, slotTemplates, unenlarged, type Output } from '../../core/template';
import { renderPhoto, type BufferFor, type RenderedFile } from './render';
import { lookOf, type Look } from './look';
import { bringCaptionFonts } from '../fonts';
import { bringKept } from '../pictures';
import { openTemplate, type SharedTemplate } from './shared-template';

/** A photo and its file. */
export type PhotoTask = { readonly source: string; readonly photo: CheckedPhoto & { readonly name: string } };

export type RenderTask = {
  /** One, or one a slot; null where a slot has none. */
  readonly photos: readonly (PhotoTask | null)[];
  /** How captions speak of the cutout. */
  readonly words: PhotoWords;
  readonly template: SharedTemplate;
  /** The output's place in the template, its plate, and where its file goes. */
  readonly targets: readonly { readonly output: number; readonly plate: Plate; readonly path: string }[];
  /** Outputs whose files are there already, and their sizes. */
  readonly finished?: readonly { readonly output: number; readonly bytes: number }[];
  readonly widest: Plate | null;
};

/** How its photos lie, every target's file in turn, and what there is to say by the output's place in the template. */
export type RenderedPhoto = PlacedItem & {
  readonly files: readonly RenderedFile[];
  readonly findings: Readonly<Record<number, ManifestItem['findings']>>;
};

const bareOf = ({ content }: Output) => (content === 'framing' ? 'alone' : true);

async function rendered(
  { photos, words, template: shared, targets, finished = [], widest }: RenderTask,
  bufferFor?: BufferFor,
): Promise<RenderedPhoto> {
  const { template, wide, checker, plateFor, workingFor, pictures } = openTemplate(shared);
  const own = slotTemplates(template);
  const placements = photos.map((task) => task && checker.place(task.photo));
  const scales = placements.flatMap((placed) => (placed ? [placed.scale] : []));
  const made = targets.map(({ output, plate, path }) => {
    const asMade = unenlarged(template, template.outputs[output]!, scales);
    return { output: asMade, path, plate: asMade.width === plate.width ? plate : () => plateFor(lookOf(asMade), false) }; // prettier-ignore
  });
  const looks = new Set(made.map(({ output }) => lookOf(output).isWide));
  const brought = [...looks].map((isWide) => bringKept(isWide ? wide() : template, pictures));
  await Promise.all([bringCaptionFonts(template), ...brought]);
  const files = await renderPhoto(
    {
      template,
      photos: photos.map(
        (task, i) =>
          task && {
            path: task.source,
            photo: task.photo,
            placement: placements[i]!,
            outside: outsideOf(own[i]!, task.photo.sight),
            sight: task.photo.sight ?? null,
          },
      ),
      words,
      // Pictures have to be at hand before anything is compiled.
      targets: made.map(({ plate, ...target }) => ({ ...target, plate: typeof plate === 'function' ? plate() : plate })), // prettier-ignore
      widest,
    },
    bufferFor,
    {
      withBare: (_, output) => plateFor(lookOf(output), bareOf(output)),
      working: (output) => workingFor(lookOf(output), bareOf(output)),
    },
  );
  const placed = photos.map(
    (task, i) => task && placedItem(placements[i]!, seenAgain(task.photo, placements[i]!, own[i]!)),
  );
  const findingsFor = (output: number, bytes: number): ManifestItem['findings'] => {
    const heavy = heavyFinding(template.outputs[output]!, bytes);
    const all = photos.flatMap((task, i) => {
      const found = task ? checker.check(task.photo, template.outputs[output]) : [];
      const name = template.slots[i]?.name;
      // What is about the whole group names its slots itself.
      return found.map((one) => findingItem(name && one.check !== 'unfilled' ? { ...one, message: `${name}: ${one.message}` } : one)); // prettier-ignore
    });
    const each = all.filter(({ message }, i) => all.findIndex((other) => other.message === message) === i);
    return heavy ? [...each, heavy] : each;
  };
  return {
    ...(hasSlots(template)
      ? slotsItem(
          template.slots.map(({ name }, i) => ({
            slot: name,
            photo: photos[i]?.photo.name ?? null,
            placed: placed[i] ?? null,
          })),
        )
      : placed[0]!),
    files,
    findings: Object.fromEntries<ManifestItem['findings']>([
      ...finished.map(({ output, bytes }): [number, ManifestItem['findings']] => [output, findingsFor(output, bytes)]),
      ...targets.map(({ output }, i): [number, ManifestItem['findings']] => [
        output,
        findingsFor(output, files[i]!.bytes),
      ]),
    ]),
  };
}

/**
 * Places, renders and checks the photos of one cutout.
 *
 * @throws WobrelError also where something fails that should not: the others go on, and Node tells it as a warning (--trace-warnings: where)
 */
export function renderTask(task: RenderTask, bufferFor?: BufferFor): Promise<RenderedPhoto> {
  return rendered(task, bufferFor).catch((error: unknown) => {
    if (error instanceof WobrelError) throw error;
    const failure = error instanceof Error ? error : new Error(String(error));
    process.emitWarning(failure);
    throw new WobrelError('photo-failed', `It could not be made: ${failure.message}.`);
  });
}

export type PlateTask = Look & { readonly template: SharedTemplate };

/** The plate for a look, in memory that threads share. */
export async function plateTask({ template: shared, width, matte, isWide }: PlateTask): Promise<Plate> {
  const { template, wide, pictures } = openTemplate(shared);
  const own = isWide ? wide() : template;
  await bringKept(own, pictures);
  return sharedPlate(compile(own, width, matte));
}
