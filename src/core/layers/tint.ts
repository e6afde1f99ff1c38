import { z } from 'zod';
import { areaPaintSchema, blendSchema } from '../paint';
import { defineLayer, lockedSchema, onSchema, percent, shareSchema } from './layer';

/** How a blend mode is asked for. */
export const blendControl = {
  label: 'Blend',
  as: 'select',
  options: Object.fromEntries(blendSchema.options.map((blend) => [blend, blend.replace('-', ' ')])),
} as const;

/** A paint on the photo, or on a layer behind or before, mixed with it by one of the blend modes of W3C Compositing 1. */
export const tint = defineLayer({
  schema: z.strictObject({
    paint: areaPaintSchema.default('#00000000'),
    blend: blendSchema.default('multiply'),
    opacity: shareSchema.default(1),
    locked: lockedSchema,
    on: onSchema,
  }),
  lengths: [],
  title: () => 'Tint',
  words: ({ blend, opacity }) => `${blend.replace('-', ' ')}, ${percent(opacity)}`,
  controls: {
    paint: { label: 'Paint', as: 'paint' },
    blend: blendControl,
    opacity: { label: 'Strength', as: 'strength' },
  },
});

export type Tint = z.infer<typeof tint.schema>;
