import { z } from 'zod';
import { defineLayer, percent } from './layer';
import { picturedControls, picturedFields } from './pictured';

/** What lies before the photo and its borders: a picture, such as a maker's mark, or a paint. */
export const before = defineLayer({
  schema: z.strictObject({ show: z.enum(['picture', 'paint']).default('picture'), ...picturedFields }),
  lengths: [],
  boxes: ['place'],
  title: ({ show }) => (show === 'picture' ? 'Picture' : 'Paint'),
  words: ({ show, opacity }) => `${show}, ${percent(opacity)}`,
  controls: {
    show: { label: 'Shows', as: 'choice', options: { picture: 'picture', paint: 'paint' } },
    ...picturedControls,
  },
});

export type Before = z.infer<typeof before.schema>;
