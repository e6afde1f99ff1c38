/** What a render thread is asked for, and its answer. */
import type { CheckedPhoto } from '../../core/checks';
import type { PhotoWords } from '../../core/fields';
import { findingItem, placedItem, type ManifestItem } from '../../core/export';
import { outsideOf, seenAgain } from '../../core/placement';
import { compile, sharedPlate, type Plate } from '../../core/plate';
import { renderPhoto, type BufferFor, type RenderedFile } from './render';
import { matteOf } from './matte';
import { bringCaptionFonts } from '../fonts';
import { bringKept } from '../pictures';
import { openTemplate, type SharedTemplate } from './shared-template';

export type RenderTask = {
  readonly source: string;
  readonly photo: CheckedPhoto & { readonly words: PhotoWords };
  readonly template: SharedTemplate;
  /** The output's place in the template, its plate, and where its file goes. */
  readonly targets: readonly { readonly output: number; readonly plate: Plate; readonly path: string }[];
  /** Outputs whose files are there already. */
  readonly finished?: readonly number[];
  readonly widest: Plate | null;
};

/** How the photo lies, every target's file in turn, and what there is to say by the output's place in the template. */
export type RenderedPhoto = Pick<ManifestItem, 'placement' | 'subject'> & {
  readonly files: readonly RenderedFile[];
  readonly findings: Readonly<Record<number, ManifestItem['findings']>>;
};

/** Places, renders and checks one photo. */
export async function renderTask(
  { source, photo, template: shared, targets, finished = [], widest }: RenderTask,
  bufferFor?: BufferFor,
): Promise<RenderedPhoto> {
  const { template, checker, bare, pictures } = openTemplate(shared);
  await Promise.all([bringCaptionFonts(template), bringKept(template, pictures)]);
  const placement = checker.place(photo);
  const files = await renderPhoto(
    {
      path: source,
      photo,
      placement,
      outside: outsideOf(template, photo.sight),
      template,
      sight: photo.sight ?? null,
      words: photo.words,
      targets: targets.map(({ output, ...target }) => ({ ...target, output: template.outputs[output]! })),
      widest,
    },
    bufferFor,
    ({ width }, output) => bare(width, matteOf(output)),
  );
  return {
    ...placedItem(placement, seenAgain(photo, placement, template)),
    files,
    findings: Object.fromEntries(
      [...targets.map(({ output }) => output), ...finished].map((output) => [
        output,
        checker.check(photo, template.outputs[output]).map(findingItem),
      ]),
    ),
  };
}

export type PlateTask = { readonly template: SharedTemplate; readonly width: number; readonly matte: string | null };

/** The plate for a size and matte, in memory that threads share. */
export async function plateTask({ template: shared, width, matte }: PlateTask): Promise<Plate> {
  const { template, pictures } = openTemplate(shared);
  await bringKept(template, pictures);
  return sharedPlate(compile(template, width, matte));
}
