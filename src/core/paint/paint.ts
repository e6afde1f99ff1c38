/** What an area is painted with: a colour or a gradient. */
import { z } from 'zod';
import { colourSchema } from './colour';

const stopsSchema = z
  .array(z.tuple([z.number().min(0).max(1), colourSchema]))
  .min(2)
  .max(32);

const linearSchema = z.strictObject({
  kind: z.literal('linear'),
  angle: z.number().min(-3600).max(3600).default(180),
  stops: stopsSchema,
});

const radialSchema = z.strictObject({ kind: z.literal('radial'), stops: stopsSchema });

/** CSS Images 3 gradients, or a plain colour. Only colours are painted so far. */
export const paintSchema = z.union([colourSchema, z.discriminatedUnion('kind', [linearSchema, radialSchema])]);
export type Paint = z.infer<typeof paintSchema>;
