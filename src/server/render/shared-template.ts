/** A template handed to threads: written once into memory that they share, read once in each. */
import { randomUUID } from 'node:crypto';
import { checker, type BatchMeans, type Checker } from '../../core/checks';
import { compile, workingParts, type Plate, type WithBare, type WorkingParts } from '../../core/plate';
import { recallOutline, type Outline } from '../../core/shape';
import { inDisplayP3, type Template } from '../../core/template';
import type { PicturePaths } from '../pictures';
import type { Look } from './look';

export type SharedTemplate = { readonly key: string; readonly bytes: Uint8Array };

type Kept = {
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
  const text = new TextEncoder().encode(JSON.stringify({ template, outline, means, pictures } satisfies Kept));
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

/** What is compiled in this thread, kept for the next photo; what was used longest ago goes first. */
function ownCompiled<T>(most: number, make: (look: Look, withBare: WithBare) => T) {
  const kept = new Map<string, T>();
  return (look: Look, withBare: WithBare): T => {
    const key = JSON.stringify([look, withBare]);
    const made = kept.get(key) ?? make(look, withBare);
    kept.delete(key);
    kept.set(key, made);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return made;
  };
}

const OPEN = 4;
const open = new Map<string, OpenTemplate>();

/** The template as this thread works with it, with its placements and checks. */
export function openTemplate({ key, bytes }: SharedTemplate): OpenTemplate {
  const known = open.get(key);
  if (known) return known;
  const { template, outline, means, pictures } = JSON.parse(new TextDecoder().decode(bytes.slice())) as Kept;
  if (outline) recallOutline(template.shape, outline);
  let said: Template | null = null;
  const wide = () => (said ??= inDisplayP3(template));
  const inSpace = ({ isWide }: Look) => (isWide ? wide() : template);
  const opened = {
    template,
    wide,
    pictures,
    checker: checker(template, means),
    plateFor: ownCompiled(8, (look, withBare) => compile(inSpace(look), look.width, look.matte, withBare)),
    workingFor: ownCompiled(1, (look, withBare) => workingParts(inSpace(look), look.width, withBare)),
  };
  if (open.size >= OPEN) open.delete(open.keys().next().value!);
  open.set(key, opened);
  return opened;
}
