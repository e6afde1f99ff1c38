/** What a render thread is asked for, and its answer. */
import type { Sharp } from 'sharp';
import { WobrelError } from '../../core/errors';
import type { CheckedPhoto } from '../../core/checks';
import type { PhotoWords } from '../../core/fields';
import { fileFindings, placedItem, slotsItem, type ManifestItem, type PlacedItem } from '../../core/export';
import { outsideOf, seenAgain, type Size } from '../../core/placement';
import { compile, sharedPlate, type Plate } from '../../core/plate';
import type { Sight } from '../../core/sight';
import { hasSlots, slotTemplates, unenlarged, type Output } from '../../core/template';
import { isEnough, lookAt, lookAtDecoded } from '../looking';
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
  /**
   * Whether its photo is looked at on the way: for a template of one photo that goes by nothing that is seen.
   * What there is to say of it is then for the caller, who can compare it with the others.
   */
  readonly isLookedAt?: boolean;
};

/** How its photos lie, every target's file in turn, and what there is to say by the output's place in the template. */
export type RenderedPhoto = PlacedItem & {
  readonly files: readonly RenderedFile[];
  readonly findings: Readonly<Record<number, ManifestItem['findings']>>;
  /** What was seen in its photo on the way, to compare it with others by; null where it was not looked at, or could not be. */
  readonly sight: Sight | null;
};

const bareOf = ({ content }: Output) => (content === 'framing' ? 'alone' : true);

/** Looks at a photo as it was decoded, else at its file; null where it can't be looked at. */
function looker(path: string | null) {
  let sight: Sight | null = null;
  return {
    decoded: async (photo: Sharp, size: Size) => {
      if (path !== null && isEnough(size)) sight = await lookAtDecoded(photo, size).catch(() => null);
    },
    sight: async () => (path === null ? null : (sight ?? (await lookAt(path, false).catch(() => null)))),
  };
}

async function rendered(
  { photos, words, template: shared, targets, finished = [], widest, isLookedAt = false }: RenderTask,
  bufferFor?: BufferFor,
): Promise<RenderedPhoto> {
  const { template, wide, checker, plateFor, workingFor, pictures } = openTemplate(shared);
  const slots = slotTemplates(template);
  const placements = photos.map((task) => task && checker.place(task.photo));
  const scales = placements.flatMap((placed) => (placed ? [placed.scale] : []));
  const made = targets.map(({ output, plate, path }) => {
    const asMade = unenlarged(template, template.outputs[output]!, scales);
    return { output: asMade, path, plate: asMade.width === plate.width ? plate : () => plateFor(lookOf(asMade), false) }; // prettier-ignore
  });
  const looks = new Set(made.map(({ output }) => lookOf(output).isWide));
  const brought = [...looks].map((isWide) => bringKept(isWide ? wide() : template, pictures));
  await Promise.all([bringCaptionFonts(template), ...brought]);
  const onTheWay = looker(isLookedAt ? photos[0]!.source : null);
  const files = await renderPhoto(
    {
      template,
      photos: photos.map(
        (task, i) =>
          task && {
            path: task.source,
            photo: task.photo,
            placement: placements[i]!,
            outside: outsideOf(slots[i]!, task.photo.sight),
            sight: task.photo.sight ?? null,
            decoded: onTheWay.decoded,
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
    (task, i) => task && placedItem(placements[i]!, seenAgain(task.photo, placements[i]!, slots[i]!)),
  );
  const own = photos.map((task) => task && task.photo);
  const told = isLookedAt ? [] : [...finished, ...targets.map(({ output }, i) => ({ output, bytes: files[i]!.bytes }))];
  const findingsOf = ({ output, bytes }: { output: number; bytes: number }) => [output, fileFindings(template, checker, own, output, bytes)] as const; // prettier-ignore
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
    sight: await onTheWay.sight(),
    findings: Object.fromEntries(told.map(findingsOf)),
  };
}

/** Where something fails that should not, it is this task's error: the others go on, and Node tells it as a warning (--trace-warnings: where). */
async function orItsError<T>(work: Promise<T>, code: string, what: string): Promise<T> {
  return work.catch((error: unknown) => {
    if (error instanceof WobrelError) throw error;
    const failure = error instanceof Error ? error : new Error(String(error));
    process.emitWarning(failure);
    throw new WobrelError(code, `${what}: ${failure.message}.`);
  });
}

/**
 * Places, renders and checks the photos of one cutout.
 *
 * @throws WobrelError
 */
export const renderTask = (task: RenderTask, bufferFor?: BufferFor): Promise<RenderedPhoto> =>
  orItsError(rendered(task, bufferFor), 'photo-failed', 'It could not be made');

export type PlateTask = Look & { readonly template: SharedTemplate };

async function compiled({ template: shared, width, matte, isWide }: PlateTask): Promise<Plate> {
  const { template, wide, pictures } = openTemplate(shared);
  const own = isWide ? wide() : template;
  await bringKept(own, pictures);
  return sharedPlate(compile(own, width, matte));
}

/**
 * The plate for a look, in memory that threads share.
 *
 * @throws WobrelError
 */
export const plateTask = (task: PlateTask): Promise<Plate> =>
  orItsError(compiled(task), 'template-failed', 'The template could not be drawn');
