import { z } from 'zod';
import { blendSchema, colourSchema } from '../paint';
import { BLENDS } from './relief';
import { defineLayer, number, shareSchema, signedLengthSchema } from './layer';

/** Most copies of a band. */
const MOST = 50;

/** Copies of a band, each a step further about the middle of the shape than the one before it. */
export const echo = defineLayer({
  schema: z.strictObject({
    count: z.int().min(1).max(MOST).default(5),
    /** Of each step: how large, in times, and how far turned, degrees clockwise, and moved. */
    scale: z.number().min(0.5).max(2).default(0.94),
    angle: z.number().min(-180).max(180).default(3),
    x: signedLengthSchema.default(0),
    y: signedLengthSchema.default(0),
    /** How much of its strength each step keeps. */
    keeps: shareSchema.default(1),
    /** The colour that they come to with the last; null: as the band. */
    into: colourSchema.nullable().default(null),
    /** How each is mixed with those that were laid before it: echoes of a band are a group by themselves. */
    blend: blendSchema.default('normal'),
    /** Below the cutout, each below the one before; or over it, each over the one before. */
    lies: z.enum(['behind', 'before']).default('before'),
  }),
  lengths: ['x', 'y'],
  title: () => 'Echoes',
  words: ({ count, scale, angle }) => `${count}, ${number(scale)} ×, ${number(angle)}°`,
  controls: {
    count: { label: 'How many', as: 'count', slider: [1, 24] },
    scale: { label: 'Each as large', as: 'times', slider: [0.8, 1.2] },
    angle: { label: 'Turned by', as: 'angle', slider: [-30, 30] },
    x: { label: 'Across by', as: 'length', slider: [-0.3, 0.3] },
    y: { label: 'Down by', as: 'length', slider: [-0.3, 0.3] },
    keeps: { label: 'Keeps', as: 'strength' },
    into: { label: 'Into', as: 'colour', open: 'as the band' },
    blend: { label: 'Mixed', as: 'select', options: BLENDS },
    lies: { label: 'Lie', as: 'choice', options: { before: 'on top', behind: 'behind' } },
  },
});
