/** What the bytes of a file depend on, part by part: where all are as they were, the file is. */
import { createHash } from 'node:crypto';
import { fieldsOf, filled, type PhotoWords } from '../../core/fields';
import { metadataFor } from '../../core/metadata';
import { outputHeight, pictureOf, type Output, type Template } from '../../core/template';
import type { Recipe } from '../db';

/** A photo as it is delivered. */
export type PhotoThen = {
  readonly sha256: string;
  readonly width: number;
  readonly height: number;
  readonly seen: unknown;
};

const sumOf = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('base64url').slice(0, 27); // prettier-ignore

/** Of an output, what its file's name is made of does not matter, nor what it is called but where that is written. */
const outputPart = ({ name: _, file: _file, size: _size, ...bytes }: Output) => bytes;

/** What is written on and into a file. */
function textPart(template: Template, output: Output, words: PhotoWords) {
  const { width } = output;
  const height = outputHeight(pictureOf(template), width);
  const fields = fieldsOf({ ...words, template: template.name, output: output.name, width, height });
  const captions = template.captions.filter(({ on }) => on).map(({ text }) => filled(text, fields));
  return [captions, metadataFor(template.metadata, fields)];
}

/**
 * Recipes of one delivery's files.
 *
 * @param stamp of the program that renders
 * @returns for a cutout with its photos, slot by slot, a function of each output
 */
export function recipesOf(template: Template, stamp: string) {
  const { name: _, outputs, metadata: _said, limits: _limits, ...look } = template;
  const templateSum = sumOf([stamp, look]);
  // Photos are decoded for the widest output, and scaled from that for the others.
  const widest = outputs.reduce((a, b) => (b.width > a.width ? b : a));
  return (photos: readonly (PhotoThen | null)[], words: PhotoWords): ((output: Output) => Recipe) => {
    const photo = sumOf(photos.map((one) => one?.sha256));
    const placement = sumOf(photos.map((one) => one && [one.width, one.height, one.seen]));
    return (output) => ({
      photo,
      placement,
      template: templateSum,
      output: sumOf([outputPart(output), widest.width, widest.matte]),
      text: sumOf(textPart(template, output, words)),
    });
  };
}

export const RECIPE_PARTS = ['photo', 'placement', 'template', 'output', 'text'] as const satisfies readonly (keyof Recipe)[]; // prettier-ignore

/** All parts as one text. */
export const recipeKey = (recipe: Recipe): string => RECIPE_PARTS.map((part) => recipe[part]).join(' ');

/** The parts that are not the same. */
export const changedParts = (before: Recipe, after: Recipe): readonly (keyof Recipe)[] =>
  RECIPE_PARTS.filter((part) => before[part] !== after[part]);
