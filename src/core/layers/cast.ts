import { z } from 'zod';
import { colourSchema } from '../paint';
import { defineLayer, lengthSchema, number, percent, shareSchema } from './layer';

/** The shadow that a band throws on the photo and on bands below it, away from the template's light. */
export const cast = defineLayer({
  schema: z.strictObject({
    /** How far it falls. */
    distance: lengthSchema.default(8),
    /** CSS Backgrounds 3: the Gaussian's sigma is half of it. */
    blur: lengthSchema.default(16),
    color: colourSchema.default('#000000'),
    opacity: shareSchema.default(0.45),
  }),
  lengths: ['distance', 'blur'],
  title: () => 'Shadow on the photo',
  words: ({ distance, opacity }, unit) => `${number(distance)} ${unit}, ${percent(opacity)}`,
  controls: {
    distance: { label: 'Falls', as: 'length', slider: [0, 0.3] },
    blur: { label: 'Blur', as: 'length', slider: [0, 0.5] },
    opacity: { label: 'Strength', as: 'strength' },
    color: { label: 'Colour', as: 'colour' },
  },
});
