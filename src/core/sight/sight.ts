/** What was seen in a photo: kept with it, the same for every template. */
import { z } from 'zod';

const share = z.number();
const point = z.tuple([share, share]);
/** Left, top, width, height. */
const box = z.tuple([share, share, share, share]).readonly();

export const faceSchema = z.object({
  box,
  /** The eye on the left of the upright face, then the one on its right: a turned face has them elsewhere. */
  eyes: z.tuple([point, point]),
  score: z.number(),
});

export const foundSubjectSchema = z.object({
  box,
  /** Its box without thin parts (`bodyOf`). */
  body: box.optional(),
  /** Centre of its area. */
  centroid: point,
  /** Share of the photo that it covers. */
  area: share,
  /** 0…1: below 0.45 it is a guess (common practice of this finder; see docs/decisions.md). */
  confidence: share,
  /** What of its box it fills (`smallMask`). */
  mask: z.string(),
  /** Separate things of about the same size. */
  count: z.int(),
});

/**
 * What a second look at the surroundings of the subject, and of the first face, found there; null where it found
 * nothing. One that was cut out before is not looked at again.
 */
const seenAgainSchema = z.object({
  subject: box.nullable().optional(),
  face: faceSchema.omit({ score: true }).nullable(),
});

/** CSS hex. */
const tonesSchema = z.object({ main: z.string(), light: z.string(), dark: z.string(), vivid: z.string() });
const paletteSchema = z.object({ subject: tonesSchema, ground: tonesSchema, photo: tonesSchema });

/** Places and sizes are shares of the upright photo's width and height, from its left top corner. */
export const sightSchema = z.object({
  /** Of the finder: a better one looks again. */
  version: z.int(),
  faces: z.array(faceSchema),
  subject: foundSubjectSchema.nullable(),
  again: seenAgainSchema.optional(),
  /** The colour around the subject (CSS hex), and the share of the rim that has it. */
  ground: z.object({ colour: z.string(), plain: share }),
  /** What would streak where the rim is drawn out, side by side (`rimOf`). */
  rim: z.array(z.string()).length(4).optional(),
  /** Its colours (`paletteOf`). */
  palette: paletteSchema.optional(),
  /** How sharp it is (`sharpnessOf`). */
  sharpness: z.number(),
  /** Of one that was seen before edges were measured: variance of luma, by which its sharpness is to be divided. */
  contrast: z.number().optional(),
  /** Mean luma, 0…1. */
  brightness: share,
  /** Luma of its lightest parts, 0…1 (`lightestOf`). */
  lightest: share.optional(),
  /** Difference hash, 16 hexadecimal digits. */
  hash: z.string(),
  /** Its colours cell by cell (`cellsOf`). */
  cells: z.string().optional(),
});

export type Face = z.infer<typeof faceSchema>;
export type FoundSubject = z.infer<typeof foundSubjectSchema>;
export type SeenAgain = z.infer<typeof seenAgainSchema>;
export type Tones = z.infer<typeof tonesSchema>;
export type Palette = z.infer<typeof paletteSchema>;
export type Sight = z.infer<typeof sightSchema>;
