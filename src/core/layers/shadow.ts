import { z } from 'zod';
import { colourSchema } from '../paint';
import { defineLayer, lengthSchema, lockedSchema, onSchema, percent, shareSchema, signedLengthSchema } from './layer';

const TITLES = { drop: 'Drop shadow', ground: 'Floor shadow', inner: 'Inner shadow' } as const;

/** Behind the cutout and into it as CSS Backgrounds 3 §7.1 has it (sigma is half of `blur`), or on a floor. */
export const shadow = defineLayer({
  schema: z.strictObject({
    kind: z.enum(['drop', 'ground', 'inner']).default('drop'),
    x: signedLengthSchema.default(0),
    y: signedLengthSchema.default(12),
    blur: lengthSchema.default(24),
    spread: signedLengthSchema.default(0),
    /** On a floor: the height above it at which e⁻¹ of the shadow is left. */
    reach: z.number().gt(0).max(100_000).default(120),
    /** On a floor: how thick the patch is. */
    depth: lengthSchema.default(40),
    color: colourSchema.default('#000000'),
    opacity: shareSchema.default(0.35),
    locked: lockedSchema,
    on: onSchema,
  }),
  lengths: ['x', 'y', 'blur', 'spread', 'reach', 'depth'],
  title: ({ kind }) => TITLES[kind],
  words: ({ kind, opacity }) => `${kind === 'ground' ? 'floor' : kind}, ${percent(opacity)}`,
  controls: {
    kind: {
      label: 'Falls',
      as: 'choice',
      options: { drop: 'behind', inner: 'into it', ground: 'floor' },
      // A cutout that stands begins by touching its floor.
      besides: (kind) => (kind === 'ground' ? { x: 0, y: 0 } : {}),
    },
    x: { label: 'Across', as: 'length', slider: [-1, 1] },
    y: { label: 'Down', as: 'length', slider: [-1, 1] },
    blur: { label: 'Blur', as: 'length', slider: [0, 1] },
    spread: { label: 'Spread', as: 'length', slider: [-0.5, 0.5] },
    reach: { label: 'Reach', as: 'length', slider: [0.05, 2], shown: ({ kind }) => kind === 'ground' },
    depth: { label: 'Depth', as: 'length', slider: [0, 1], shown: ({ kind }) => kind === 'ground' },
    color: { label: 'Colour', as: 'colour' },
    opacity: { label: 'Strength', as: 'strength' },
  },
});

export type Shadow = z.infer<typeof shadow.schema>;
