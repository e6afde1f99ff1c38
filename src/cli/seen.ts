/** Photos of a run: read, and looked at where that comes before they are rendered. */
import type { CheckedPhoto } from '../core/checks';
import { WobrelError } from '../core/errors';
import type { PhotoData, PhotoWords } from '../core/fields';
import { picksOf } from '../core/plate';
import type { Sight } from '../core/sight';
import { hasSlots, slotTemplates, type Template } from '../core/template';
import { inspectPhoto } from '../server/intake';
import type { Developed } from './developed';
import type { Engine } from './engine';
import type { NamedPhoto } from './photo-files';

export type SeenPhoto = CheckedPhoto & {
  readonly name: string;
  /** The file that it is read from. */
  readonly source: string;
  readonly words: PhotoWords;
};

/** A photo that was read, or why it can't be worked with. */
export type Seen = { readonly path: string } & ({ readonly photo: SeenPhoto } | { readonly fault: string });

/** What is the photo's own fault is told of it; anything else ends the run. */
export function faultOf(error: unknown): string {
  if (error instanceof WobrelError && error.code !== 'cannot-write') return error.message;
  throw error;
}

/** Before anything is rendered, for all that can be seen or for what is seen at once; or as each is rendered, which saves decoding it twice. */
export type Looking = 'never' | 'for-all' | 'at-once' | 'on-the-way';

/** A single photo is looked at only where the template goes by what is seen: there is nothing to compare it with. */
export function lookingFor(template: Template, isAlone: boolean): Looking {
  const own = slotTemplates(template);
  const isCentred = ({ centring: { rule, straighten } }: Template) => rule !== 'middle' || straighten === 'eyes';
  // What a photo is of matters to where it lies, and to colours that are taken from it.
  if (own.some((one) => isCentred(one) || picksOf(one).length > 0)) return 'for-all';
  if (own.some(({ centring }) => centring.gap === 'extend')) return 'at-once';
  if (isAlone) return 'never';
  return hasSlots(template) ? 'at-once' : 'on-the-way';
}

/**
 * Inspects a photo, and looks at it where that comes first.
 *
 * @returns a function of a photo and its place in the batch, from 1
 */
export function looker(engine: Engine, developed: Developed, looking: Looking, dataOf: (place: number) => PhotoData) {
  const comesFirst = looking === 'for-all' || looking === 'at-once';
  return async ({ path, fault }: NamedPhoto, index: number): Promise<Seen> => {
    if (fault !== null) return { path, fault };
    try {
      const source = await developed.of(path);
      const facts = await inspectPhoto(source);
      // A photo that can't be looked at is a finding; whether it can be read shows when it is rendered.
      const sight: Sight | null = comesFirst ? await engine.see(source, looking === 'for-all').catch(() => null) : null;
      return {
        path,
        photo: {
          ...facts,
          name: path,
          source,
          words: { photo: path, batch: '', index, data: dataOf(index - 1) },
          sight,
          unseen: comesFirst && sight === null,
        },
      };
    } catch (error) {
      return { path, fault: faultOf(error) };
    }
  };
}
