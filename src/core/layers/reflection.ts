import { z } from 'zod';
import { defineLayer, lengthSchema, onSchema, percent, shareSchema } from './layer';

/** The cutout mirrored below its lowest point, fading from `opacity` to nothing over `length` of its height. */
export const reflection = defineLayer({
  schema: z.strictObject({
    gap: lengthSchema.default(0),
    length: shareSchema.gt(0).default(0.4),
    opacity: shareSchema.default(0.35),
    on: onSchema,
  }),
  lengths: ['gap'],
  title: () => 'Reflection',
  words: ({ opacity }) => `reflection, ${percent(opacity)}`,
  controls: {
    gap: { label: 'Below by', as: 'length', slider: [0, 1] },
    length: { label: 'Length', as: 'strength' },
    opacity: { label: 'Strength', as: 'strength' },
  },
});

export type Reflection = z.infer<typeof reflection.schema>;
