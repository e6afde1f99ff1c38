import { z } from 'zod';
import { defineLayer, lengthSchema } from './layer';
import {
  againControls,
  againFields,
  isPlaced,
  laidWords,
  picturedControls,
  picturedFields,
  picturedParts,
} from './pictured';

const TITLES = { photo: 'Photo again', picture: 'Picture', paint: 'Paint', hole: 'Hole' } as const;

/** What lies before the photo and its borders: a picture, such as a maker's mark, a paint, a hole, or the photo once more. */
export const before = defineLayer({
  schema: z.strictObject({
    show: z.enum(['picture', 'photo', 'paint', 'hole']).default('picture'),
    ...picturedFields,
    ...againFields,
    /** As of a photo behind. */
    blur: lengthSchema.default(0),
    /** What a hole goes through: the layer on top right below it, or the set that this is of, or everything, captions alone left out; in a set, everything of that. */
    through: z.enum(['layer', 'all']).default('all'),
  }),
  lengths: ['blur'],
  isPlaced: true,
  parts: picturedParts,
  title: ({ show }) => TITLES[show],
  words: (layer) =>
    [
      ...(layer.show === 'hole' ? [layer.through === 'all' ? 'through everything' : 'through the layer below'] : []),
      ...laidWords(layer),
    ].join(', ') || 'as it is',
  controls: {
    show: {
      label: 'Shows',
      as: 'select',
      options: { picture: 'a picture', photo: 'the photo again', paint: 'a paint', hole: 'a hole' },
      ofOnePhoto: ['photo'],
    },
    ...againControls,
    through: {
      label: 'Goes through',
      as: 'choice',
      options: { all: 'everything', layer: 'layer below' },
      shown: ({ show }) => show === 'hole',
    },
    ...picturedControls,
    place: { ...picturedControls.place, shown: isPlaced },
  },
});

export type Before = z.infer<typeof before.schema>;
