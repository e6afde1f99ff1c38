import { z } from 'zod';

/** Shares of the shape's box, from its left top corner, before it is turned. */
const pinPlace = z.tuple([z.number().min(-10).max(10), z.number().min(-10).max(10)]);

/** Pins that bend an outline: each from its place to another; one that stays holds it there. */
export const pinsSchema = z
  .array(z.strictObject({ from: pinPlace, to: pinPlace }))
  .max(16)
  .default([]);
export type Pins = z.output<typeof pinsSchema>;
