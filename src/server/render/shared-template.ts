/** A template handed to threads: written once into memory that they share, read once in each. */
import { randomUUID } from 'node:crypto';
import { kept } from '../../core/kept';
import { checker, type BatchMeans, type Checker } from '../../core/checks';
import { compile, workingParts, type Plate, type WithBare, type WorkingParts } from '../../core/plate';
import { recallOutline, type Outline } from '../../core/shape';
import { inDisplayP3, type Template } from '../../core/template';
import type { PicturePaths } from '../pictures';
import type { Look } from './look';

export type SharedTemplate = { readonly key: string; readonly bytes: Uint8Array };

type Whole = {
  readonly template: Template;
  readonly outline: Outline | null;
  readonly means: BatchMeans;
  readonly pictures: PicturePaths;
};

/**
 * @param outline the shape's, where working it out takes long
 * @param means what the batch is like, for the checks
 * @param pictures where its pictures lie
 */
export function shareTemplate(
  template: Template,
  outline: Outline | null,
  means: BatchMeans,
  pictures: PicturePaths,
): SharedTemplate {
  const text = new TextEncoder().encode(JSON.stringify({ template, outline, means, pictures } satisfies Whole));
  const bytes = new Uint8Array(new SharedArrayBuffer(text.length));
  bytes.set(text);
  // Not counted: Next.js loads this module twice, for the runner and for the routes, and both use the same threads.
  return { key: randomUUID(), bytes };
}

export type OpenTemplate = {
  readonly template: Template;
  /** The same with its colours said in Display P3. */
  readonly wide: () => Template;
  readonly checker: Checker;
  readonly pictures: PicturePaths;
  /** A plate compiled in this thread, for the few photos that the shared ones don't do for. */
  readonly plateFor: (look: Look, withBare: WithBare) => Plate;
  /** The template as the layers of a working file. */
  readonly workingFor: (look: Look, withBare: WithBare) => WorkingParts;
};

/** What is compiled in this thread, kept for the next photo. */
function ownCompiled<T>(most: number, make: (look: Look, withBare: WithBare) => T) {
  const made = kept<T>(most);
  return (look: Look, withBare: WithBare): T => made(JSON.stringify([look, withBare]), () => make(look, withBare));
}

const open = kept<OpenTemplate>(4);

/** The template as this thread works with it, with its placements and checks. */
export const openTemplate = ({ key, bytes }: SharedTemplate): OpenTemplate => open(key, () => opened(bytes));

function opened(bytes: Uint8Array): OpenTemplate {
  const { template, outline, means, pictures } = JSON.parse(new TextDecoder().decode(bytes.slice())) as Whole;
  if (outline) recallOutline(template.shape, outline);
  let said: Template | null = null;
  const wide = () => (said ??= inDisplayP3(template));
  const inSpace = ({ isWide }: Look) => (isWide ? wide() : template);
  return {
    template,
    wide,
    pictures,
    checker: checker(template, means),
    plateFor: ownCompiled(8, (look, withBare) => compile(inSpace(look), look.width, look.matte, withBare)),
    workingFor: ownCompiled(1, (look, withBare) => workingParts(inSpace(look), look.width, withBare)),
  };
}
