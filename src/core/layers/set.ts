import { z } from 'zod';
import { blendSchema } from '../paint';
import { defineLayer, onSchema, percent, shareSchema } from './layer';
import { blendControl } from './tint';

/** How a set of layers behind or before is laid, all of them together; a set that is not told of is laid as it is. */
export const layerSet = defineLayer({
  schema: z.strictObject({
    name: z.string().trim().min(1).max(60),
    opacity: shareSchema.default(1),
    blend: blendSchema.default('normal'),
    on: onSchema,
  }),
  lengths: [],
  title: ({ name }) => `Set ${name}`,
  words: ({ blend, opacity }) => `${blend.replace('-', ' ')}, ${percent(opacity)}`,
  controls: {
    opacity: { label: 'Strength', as: 'strength' },
    blend: blendControl,
  },
});

export type LayerSet = z.infer<typeof layerSet.schema>;
