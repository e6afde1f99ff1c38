import { z } from 'zod';
import { defineLayer, lengthSchema, number } from './layer';
import { againControls, againFields, laidWords, picturedControls, picturedFields, picturedParts } from './pictured';

const TITLES = { photo: 'Photo again', picture: 'Picture', paint: 'Paint' } as const;

/** What lies behind the photo: the same photo once more as a ground, a picture, or a paint. */
export const behind = defineLayer({
  schema: z.strictObject({
    show: z.enum(['photo', 'picture', 'paint']).default('photo'),
    ...picturedFields,
    ...againFields,
    /** As CSS writes a blur radius: its Gaussian's standard deviation is half of it. */
    blur: lengthSchema.default(48),
  }),
  lengths: ['blur'],
  isPlaced: true,
  parts: picturedParts,
  title: ({ show }) => TITLES[show],
  words: (layer, unit) => {
    const { show, blur, zoom } = layer;
    const again = [blur > 0 ? `blurred ${number(blur)} ${unit}` : 'sharp', ...(zoom > 1 ? [`${number(zoom)}×`] : [])];
    return [...(show === 'photo' ? again : []), ...laidWords(layer)].join(', ') || 'as it is';
  },
  controls: {
    show: {
      label: 'Shows',
      as: 'choice',
      options: { photo: 'photo', picture: 'picture', paint: 'paint' },
      ofOnePhoto: ['photo'],
    },
    ...againControls,
    ...picturedControls,
  },
});

export type Behind = z.infer<typeof behind.schema>;
