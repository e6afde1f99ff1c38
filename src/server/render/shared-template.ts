/** A template handed to threads: written once into memory that they share, read once in each. */
import { randomUUID } from 'node:crypto';
import { checker, type BatchMeans, type Checker } from '../../core/checks';
import { compile, type Plate } from '../../core/plate';
import { recallOutline, type Outline } from '../../core/shape';
import type { Template } from '../../core/template';
import type { PicturePaths } from '../pictures';

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
  readonly checker: Checker;
  readonly pictures: PicturePaths;
  /** A plate with the picture without photo, or with the framing alone, compiled once in this thread. */
  readonly bare: (width: number, matte: string | null, isAlone: boolean) => Plate;
};

function barePlates(template: Template): OpenTemplate['bare'] {
  const plates = new Map<string, Plate>();
  return (width, matte, isAlone) => {
    const key = `${width} ${matte} ${isAlone}`;
    const plate = plates.get(key) ?? compile(template, width, matte, isAlone ? 'alone' : true);
    plates.set(key, plate);
    return plate;
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
  const opened = { template, pictures, checker: checker(template, means), bare: barePlates(template) };
  if (open.size >= OPEN) open.delete(open.keys().next().value!);
  open.set(key, opened);
  return opened;
}
