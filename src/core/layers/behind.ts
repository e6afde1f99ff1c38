import { z } from 'zod';
import { areaPaintSchema } from '../paint';
import { defineLayer, lengthSchema, number, onSchema, percent, shareSchema } from './layer';

const FITS = { cover: 'cover', stretch: 'stretch' } as const;

/** What lies behind the photo: the same photo once more as a ground, or a paint. */
export const behind = defineLayer({
  schema: z.strictObject({
    show: z.enum(['photo', 'paint']).default('photo'),
    paint: areaPaintSchema.default('#f4efe6'),
    /** How the photo fills the picture: in its own proportions, or in the picture's. */
    fit: z.enum(['cover', 'stretch']).default('cover'),
    /** How many times as large as it has to be. */
    zoom: z.number().min(1).max(20).default(1),
    /** As CSS writes a blur radius: its Gaussian's standard deviation is half of it. */
    blur: lengthSchema.default(48),
    opacity: shareSchema.default(1),
    on: onSchema,
  }),
  lengths: ['blur'],
  title: ({ show }) => (show === 'photo' ? 'Photo again' : 'Paint'),
  words: ({ show, blur, zoom, opacity }, unit) =>
    show === 'paint'
      ? percent(opacity)
      : `${blur > 0 ? `blurred ${number(blur)} ${unit}` : 'sharp'}${zoom > 1 ? `, ${number(zoom)}×` : ''}`,
  controls: {
    show: { label: 'Shows', as: 'choice', options: { photo: 'photo again', paint: 'paint' } },
    paint: { label: 'Paint', as: 'paint', shown: ({ show }) => show === 'paint' },
    blur: { label: 'Blur', as: 'length', slider: [0, 2], shown: ({ show }) => show === 'photo' },
    zoom: { label: 'Enlarged', as: 'times', slider: [1, 4], shown: ({ show }) => show === 'photo' },
    fit: { label: 'Fit', as: 'choice', options: FITS, shown: ({ show }) => show === 'photo' },
    opacity: { label: 'Strength', as: 'strength' },
  },
});

export type Behind = z.infer<typeof behind.schema>;
