import { z } from 'zod';
import { blendSchema, colourSchema } from '../paint';
import { defineLayer, lengthSchema, number, percent, shareSchema, signedLengthSchema } from './layer';

const PROFILES = { round: 'round', chamfer: 'chamfered', hollow: 'hollow', drawn: 'drawn' } as const;

/** Blend modes that light and shade are laid with, in the order of W3C Compositing 1. */
export const BLENDS = Object.fromEntries(blendSchema.options.map((mode) => [mode, mode.replace('-', ' ')]));

/** From the outer edge of a band (0) to its inner one (1): heights 0…1, in order. */
const curveSchema = z
  .array(z.tuple([shareSchema, shareSchema]))
  .min(2)
  .max(16)
  .refine(
    (points) => points.every(([at], i) => i === 0 || at > points[i - 1]![0]),
    'its points stand from left to right',
  ) // prettier-ignore
  .refine((points) => points[0]![0] === 0 && points[points.length - 1]![0] === 1, 'its ends lie at 0 and 1');
export type ProfileCurve = z.infer<typeof curveSchema>;

/** A band that stands out under the template's light (Lambert 1760; Blinn 1977, "Models of light reflection"). */
export const relief = defineLayer({
  schema: z.strictObject({
    profile: z.enum(['round', 'chamfer', 'hollow', 'drawn']).default('round'),
    /** How much of the width each chamfer takes. */
    chamfer: z.number().min(0.01).max(0.5).default(0.25),
    curve: curveSchema.default([
      [0, 0],
      [0.18, 0.75],
      [0.4, 0.55],
      [0.7, 1],
      [1, 0.2],
    ]),
    /** How high it stands; below 0 it lies as deep. */
    depth: signedLengthSchema.default(8),
    /** A Gaussian of half of it goes over the slopes. */
    softness: lengthSchema.default(0),
    /** How high the light parts of a texture stand on it. */
    grain: signedLengthSchema.default(0),
    /** Blinn's exponent. */
    shine: z.number().min(1).max(400).default(24),
    highlight: colourSchema.default('#ffffff'),
    highlightBlend: blendSchema.default('screen'),
    highlightStrength: shareSchema.default(0.7),
    shade: colourSchema.default('#000000'),
    shadeBlend: blendSchema.default('multiply'),
    shadeStrength: shareSchema.default(0.7),
  }),
  lengths: ['depth', 'softness', 'grain'],
  title: () => 'Relief',
  words: ({ profile, depth }, unit) => `${PROFILES[profile]}, ${number(depth)} ${unit}`,
  controls: {
    profile: { label: 'Profile', as: 'select', options: PROFILES },
    chamfer: { label: 'Chamfer', as: 'strength', shown: ({ profile }) => profile === 'chamfer' },
    curve: { label: 'Curve', as: 'curve', shown: ({ profile }) => profile === 'drawn' },
    depth: { label: 'Height', as: 'length', slider: [-0.3, 0.3] },
    softness: { label: 'Softness', as: 'length', slider: [0, 0.2] },
    grain: { label: 'Grain', as: 'length', slider: [-0.05, 0.05] },
    shine: { label: 'Shine', as: 'number', slider: [1, 100] },
    highlightStrength: { label: 'Highlights', as: 'strength' },
    highlight: { label: 'Light colour', as: 'colour' },
    highlightBlend: { label: 'Laid on by', as: 'select', options: BLENDS },
    shadeStrength: { label: 'Shades', as: 'strength' },
    shade: { label: 'Dark colour', as: 'colour' },
    shadeBlend: { label: 'Shaded by', as: 'select', options: BLENDS },
  },
});

export type Relief = z.infer<typeof relief.schema>;

/** The photo's own edge: as a band so wide, from the outline inwards. */
export const edgeRelief = defineLayer({
  ...relief,
  schema: relief.schema.extend({ width: z.number().gt(0).max(100_000).default(40) }).strict(),
  lengths: ['width', ...relief.lengths],
  words: ({ profile, width, shadeStrength }, unit) =>
    `${PROFILES[profile]}, ${number(width)} ${unit}, ${percent(shadeStrength)}`,
  controls: { width: { label: 'Width', as: 'length', slider: [0.01, 1] }, ...controlsWithoutGrain() },
});

export type EdgeRelief = z.infer<typeof edgeRelief.schema>;

/** A photo has no texture of its own to stand out. */
function controlsWithoutGrain() {
  const { grain: _, ...rest } = relief.controls;
  return rest;
}
