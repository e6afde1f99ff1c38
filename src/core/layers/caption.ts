import { z } from 'zod';
import { areaPaintSchema } from '../paint';
import { mark } from './mark';
import { defineLayer, lengthSchema, lockedSchema, onSchema, signedLengthSchema } from './layer';

const captionFontSchema = z.enum(['text', 'slab', 'rounded', 'script']);

/** A line of letters; `{…}` in it stand for what is known of each photo. */
export const caption = defineLayer({
  schema: z.strictObject({
    text: z.string().max(500).default('{photo}'),
    font: captionFontSchema.default('text'),
    /** Of an em. */
    size: lengthSchema.gt(0).default(36),
    paint: areaPaintSchema.default('#1c2224'),
    /** Where its baseline begins, has its middle, or ends. */
    at: z.tuple([signedLengthSchema, signedLengthSchema]).default([540, 1040]),
    anchor: z.enum(['start', 'middle', 'end']).default('middle'),
    /** A straight baseline, or one along a circle whose top or bottom is `at`. */
    follows: z.enum(['line', 'over', 'under']).default('line'),
    /** Of that circle. */
    radius: lengthSchema.gt(0).default(400),
    /** Longer text is made smaller. */
    maxWidth: lengthSchema.gt(0).nullable().default(null),
    /** What it stands on. */
    mark: mark.schema.nullable().default(null),
    locked: lockedSchema,
    on: onSchema,
  }),
  lengths: ['size', 'radius', 'maxWidth'],
  places: ['at'],
  parts: { mark },
  title: () => 'Caption',
  words: ({ text, mark: on }) => (on ? `${text}, on a mark` : text),
  controls: {
    text: { label: 'Text', as: 'text' },
    font: {
      label: 'Letters',
      as: 'select',
      options: { text: 'plain', slab: 'slab', rounded: 'rounded', script: 'script' },
    },
    size: { label: 'Size', as: 'length', slider: [0.05, 1] },
    follows: {
      label: 'Follows',
      as: 'choice',
      options: { line: 'a line', over: 'over', under: 'under' },
    },
    radius: { label: 'Circle of', as: 'length', slider: [0.5, 5], shown: ({ follows }) => follows !== 'line' },
    at: { label: 'Lies at', as: 'place' },
    anchor: {
      label: 'Runs',
      as: 'choice',
      options: { start: 'right', middle: 'both ways', end: 'left' },
    },
    maxWidth: { label: 'At most', as: 'length', slider: [1, 8], open: 'as it comes' },
    paint: { label: 'Paint', as: 'paint' },
  },
});

export type Caption = z.infer<typeof caption.schema>;
