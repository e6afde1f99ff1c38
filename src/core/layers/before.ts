import { z } from 'zod';
import { defineLayer, percent } from './layer';
import { picturedControls, picturedFields, picturedParts } from './pictured';

const TITLES = { picture: 'Picture', paint: 'Paint', hole: 'Hole' } as const;

/** What lies before the photo and its borders: a picture, such as a maker's mark, a paint, or a hole. */
export const before = defineLayer({
  schema: z.strictObject({
    show: z.enum(['picture', 'paint', 'hole']).default('picture'),
    ...picturedFields,
    /** What a hole goes through: the layer on top right below it, or everything, captions alone left out. */
    through: z.enum(['layer', 'all']).default('all'),
  }),
  lengths: [],
  isPlaced: true,
  parts: picturedParts,
  title: ({ show }) => TITLES[show],
  words: ({ show, opacity }) => `${show}, ${percent(opacity)}`,
  controls: {
    show: { label: 'Shows', as: 'choice', options: { picture: 'picture', paint: 'paint', hole: 'hole' } },
    through: {
      label: 'Goes through',
      as: 'choice',
      options: { all: 'everything', layer: 'layer below' },
      shown: ({ show }) => show === 'hole',
    },
    ...picturedControls,
  },
});

export type Before = z.infer<typeof before.schema>;
