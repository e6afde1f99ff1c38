import { z } from 'zod';
import { areaPaintSchema, blendSchema } from '../paint';
import { defineLayer, onSchema, percent, shareSchema } from './layer';

/** A paint on the photo, mixed with it by one of the blend modes of W3C Compositing 1. */
export const tint = defineLayer({
  schema: z.strictObject({
    paint: areaPaintSchema.default('#00000000'),
    blend: blendSchema.default('multiply'),
    opacity: shareSchema.default(1),
    on: onSchema,
  }),
  lengths: [],
  title: () => 'Tint',
  words: ({ blend, opacity }) => `${blend.replace('-', ' ')}, ${percent(opacity)}`,
  controls: {
    paint: { label: 'Paint', as: 'paint' },
    blend: {
      label: 'Blend',
      as: 'select',
      options: Object.fromEntries(blendSchema.options.map((blend) => [blend, blend.replace('-', ' ')])),
    },
    opacity: { label: 'Strength', as: 'strength' },
  },
});
