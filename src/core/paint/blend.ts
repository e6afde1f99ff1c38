/** The blend modes of W3C Compositing and Blending 1 §9 (formulas: §9.1 separable, §9.2 not). */
import { z } from 'zod';
import { blendOnto, CHANNELWISE, type Colours } from './kernel';

export const blendSchema = z.enum([
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
]);
export type Blend = z.infer<typeof blendSchema>;

/** The mode's number in `kernels/rows.ts`, which has the formulas. */
export const blendCode = (mode: Blend): number => blendSchema.options.indexOf(mode);

export const isSeparable = (mode: Blend): boolean => blendCode(mode) < CHANNELWISE;

/**
 * Blends a row of colours onto a row of an opaque picture, in place: §9, co = cb·(1 − αs) + αs·B(cb, cs).
 *
 * @param picture n times r, g, b, 0…1
 */
export const blendRow = (mode: Blend, picture: Float32Array, colours: Colours, n: number): void =>
  blendOnto(blendCode(mode), picture, colours, n);
