/** What an area is painted with: a colour or a gradient. */
import { z } from 'zod';
import { pictureSchema } from '../pictures';
import { textureSchema } from '../texture';
import { colourSchema, parseColour } from './colour';

const stopsSchema = z
  .array(z.tuple([z.number().min(0).max(1), colourSchema]))
  .min(2)
  .max(32);
export type Stops = z.infer<typeof stopsSchema>;

const angle = z.number().min(-3600).max(3600);
/** Shares of the gradient's box; beyond it is allowed. */
const place = z.tuple([z.number().min(-10).max(10), z.number().min(-10).max(10)]).default([0.5, 0.5]);

/** `angle`: 0 to the top, 90 to the right. */
const linearSchema = z.strictObject({ kind: z.literal('linear'), angle: angle.default(180), stops: stopsSchema });

const radialSchema = z.strictObject({
  kind: z.literal('radial'),
  ending: z.enum(['ellipse', 'circle']).default('ellipse'),
  extent: z.enum(['closest-side', 'farthest-side', 'closest-corner', 'farthest-corner']).default('farthest-corner'),
  at: place,
  stops: stopsSchema,
});

const conicSchema = z.strictObject({
  kind: z.literal('conic'),
  from: angle.default(0),
  at: place,
  stops: stopsSchema,
});

/** By distance from the outline inwards: 0 on it, 1 at `depth` frame units and further in. */
const contourSchema = z.strictObject({
  kind: z.literal('contour'),
  depth: z.number().gt(0).max(100_000),
  stops: stopsSchema,
});

/** Along the outline's length from its topmost point, clockwise. */
const alongSchema = z.strictObject({ kind: z.literal('along'), stops: stopsSchema });

/** A texture whose values 0…1 are colours of the stops; `size` of what it is made of, frame units, `angle` degrees clockwise. */
const textureSchemaOfAreas = z.strictObject({
  kind: z.literal('texture'),
  of: textureSchema,
  seed: z.int().min(0).max(9999).default(1),
  size: z.number().min(0.01).max(100_000),
  angle: z.number().min(-360).max(360).default(0),
  lies: z.literal('flat').default('flat'),
  stops: stopsSchema,
});

/** On a line it lies flat on the frame, or runs along. */
const textureSchemaOfLines = textureSchemaOfAreas.extend({ lies: z.enum(['flat', 'along']).default('flat') });

/** A kept picture laid side by side, each so wide, frame units; none until one is chosen. */
const patternSchemaOfAreas = z.strictObject({
  kind: z.literal('pattern'),
  /** SHA-256 of a kept picture. */
  picture: pictureSchema.nullable().default(null),
  size: z.number().min(0.1).max(100_000),
  angle: z.number().min(-360).max(360).default(0),
  lies: z.literal('flat').default('flat'),
});

/** On a line it lies flat on the frame, or runs along. */
const patternSchemaOfLines = patternSchemaOfAreas.extend({ lies: z.enum(['flat', 'along']).default('flat') });

/** One colour taken from each photo itself. */
const pickedSchema = z.strictObject({
  kind: z.literal('picked'),
  from: z.enum(['subject', 'ground', 'photo']).default('subject'),
  tone: z.enum(['main', 'light', 'dark', 'vivid']).default('main'),
});

/** What areas and lines are painted with alike. */
const commonSchemas = [linearSchema, radialSchema, conicSchema, contourSchema, pickedSchema] as const;

/** A plain colour, a gradient of CSS Images 3 (conic: 4), one that follows the outline inwards, a texture, or a colour out of the photo. */
export const areaPaintSchema = z.union([
  colourSchema,
  z.discriminatedUnion('kind', [...commonSchemas, textureSchemaOfAreas]),
]);
export type AreaPaint = z.infer<typeof areaPaintSchema>;

/** What is larger than a photo may be a picture, too. */
export const groundPaintSchema = z.union([
  colourSchema,
  z.discriminatedUnion('kind', [...commonSchemas, textureSchemaOfAreas, patternSchemaOfAreas]),
]);
export type GroundPaint = z.infer<typeof groundPaintSchema>;

/** A line may also change along its length. */
export const linePaintSchema = z.union([
  colourSchema,
  z.discriminatedUnion('kind', [...commonSchemas, alongSchema, textureSchemaOfLines, patternSchemaOfLines]),
]);
export type LinePaint = z.infer<typeof linePaintSchema>;

export type TexturePaint = z.infer<typeof textureSchemaOfLines>;
export type PatternPaint = z.infer<typeof patternSchemaOfLines>;

/** True for a paint whose colours do not stand in it: they come from pictures. */
export const isPattern = (paint: LinePaint): paint is PatternPaint =>
  typeof paint !== 'string' && paint.kind === 'pattern';

export const isTexture = (paint: LinePaint): paint is TexturePaint =>
  typeof paint !== 'string' && paint.kind === 'texture';

/** Where a colour is taken from a photo, and which. */
export type Picked = z.infer<typeof pickedSchema>;

export const isPicked = (paint: LinePaint): paint is Picked => typeof paint !== 'string' && paint.kind === 'picked';

/** Every colour that stands in a paint: none where a photo or a picture gives its own. */
export const coloursOf = (paint: LinePaint): readonly string[] =>
  typeof paint === 'string'
    ? [paint]
    : isPicked(paint) || isPattern(paint)
      ? []
      : paint.stops.map(([, colour]) => colour);

/** True where nothing of it would be seen. */
export const isClear = (paint: LinePaint): boolean =>
  isPattern(paint)
    ? paint.picture === null
    : !isPicked(paint) && coloursOf(paint).every((colour) => parseColour(colour).alpha === 0);
