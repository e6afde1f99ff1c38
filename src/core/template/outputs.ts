/** Outputs of a template: size, format and name of the files that each photo gives. */
import { z } from 'zod';
import { colourSchema } from '../paint';
import { unitSchema } from './units';

export const ppiSchema = z.number().min(1).max(2400);

/** `ora` is OpenRaster: the cutout's layers in one file. */
const formatSchema = z.enum(['png', 'webp', 'avif', 'gif', 'tiff', 'jpeg', 'ora']);

/** Letters, digits and harmless marks for a name that is also part of file names. */
const outputName = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[^/\\\0-\x1f]+$/, { error: 'expected a name without slashes' });

/** Pixels. */
export const MAX_OUTPUT_WIDTH = 16_384;

const pixels = z.int().min(1).max(MAX_OUTPUT_WIDTH);

/** The picture's size otherwise than by its width in pixels: the frame's own, a multiple of it, its height or longer side, or a width at a resolution. */
const outputSizeSchema = z.union([
  z.literal('frame'),
  z.strictObject({ factor: z.number().gt(0).max(100) }),
  z.strictObject({ height: pixels }),
  z.strictObject({ longest: pixels }),
  z.strictObject({
    width: z.number().gt(0).max(100_000),
    unit: unitSchema.exclude(['px']).default('mm'),
    ppi: ppiSchema.default(300),
  }),
]);

/** What is left of the empty rim: all of it, nothing, or so much room, in frame units, made square where that is wanted. */
const trimSchema = z.union([
  z.boolean(),
  z.strictObject({ room: z.number().min(0).max(100_000).default(0), square: z.boolean().default(false) }),
]);

export const outputSchema = z.strictObject({
  name: outputName.default('tile'),
  format: formatSchema.default('png'),
  /** Each cutout; or, once for all of them, what lies round the photos without any. */
  content: z.enum(['cutout', 'framing']).default('cutout'),
  /** In pixels. Left out, `size` says it, and is `frame` unless it is written; beside a `size` it is not read. */
  width: pixels.optional(),
  size: outputSizeSchema.nullable().default(null),
  /** Whether photos may be enlarged for it; else the file is as much smaller as its photo's own pixels ask for. */
  enlarge: z.boolean().default(true),
  trim: trimSchema.default(false),
  /** Behind the cutout where the format has no transparency: `jpeg`, and soft rims of `gif`, which are cut at half where there is none. */
  matte: colourSchema.nullable().default(null),
  quality: z.int().min(1).max(100).default(90),
  /** WebP and AVIF without any loss; their quality does not count then. */
  lossless: z.boolean().default(false),
  /** Most colours of a PNG or GIF, as many as 1, 2, 4 or 8 bits count; null for all, in a GIF 256. */
  colours: z
    .union([z.literal(2), z.literal(4), z.literal(16), z.literal(256)])
    .nullable()
    .default(null),
  /** A JPEG that is seen roughly before it is whole. */
  progressive: z.boolean().default(false),
  /** What the file's numbers mean, and whether it says so: without a profile they are sRGB, as programs take them. A `gif` never has one. */
  profile: z.enum(['srgb', 'none', 'display-p3']).default('srgb'),
  /** Of the encoder: how long it tries to make files smaller. */
  effort: z.enum(['quick', 'balanced', 'smallest']).default('balanced'),
  /** Most bytes of a file, in thousands: formats with a quality go below theirs to stay within it. */
  maxKB: z.int().min(1).max(100_000).nullable().default(null),
  file: z.string().min(1).max(200).default('{photo}-{output}'),
});
