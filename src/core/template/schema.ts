/**
 * The template document, format 1: everything about how a photo becomes a cutout. This
 * schema is the one definition; `docs/template.schema.json` is generated from it.
 */
import { z } from 'zod';
import { outputSchema, ppiSchema } from './outputs';
import { before, behind, border, caption, edgeRelief, layerSet, light, mat, pinsSchema, reflection, rough, setSchema, shadow, tint } from '../layers'; // prettier-ignore
import { groundPaintSchema, filtersSchema } from '../paint';
import { shapeSchema } from '../shape';
import { unitSchema } from './units';

const length = z.number().min(0).max(100_000);
const share = z.number().min(0).max(1);

/** Defaults of an object whose every field has one. */
const whole = <S extends z.ZodObject>(schema: S) => schema.prefault({} as never);

/** Its `width` and `height` are in `unit`s; `ppi` turns them into pixels. */
export const frameSchema = z.strictObject({
  width: z.number().gt(0).max(100_000).default(1080),
  height: z.number().gt(0).max(100_000).default(1080),
  unit: unitSchema.default('px'),
  ppi: ppiSchema.default(96),
});

const edgeSchema = z.strictObject({
  rounding: length.default(0),
  feather: length.default(0),
  featherSide: z.enum(['inside', 'centre', 'outside']).default('inside'),
  pins: pinsSchema,
  /** After bending. */
  rough: rough.schema.nullable().default(null),
  /** How the photo's own edge stands under the light. */
  relief: edgeRelief.schema.nullable().default(null),
});

/** A subject's extent over the shape's box. */
const wantedSize = z.number().gt(0).max(10);

const centringSchema = z.strictObject({
  /** `auto`: a clear face, else the subject, else the middle. */
  rule: z.enum(['middle', 'subject', 'face', 'point', 'auto']).default('middle'),
  at: z.tuple([share, share]).default([0.5, 0.5]),
  /** `batch`: the median of the batch, of faces and of subjects by themselves; null just covers the shape. */
  size: z
    .union([
      wantedSize,
      z.literal('batch'),
      z.strictObject({ face: wantedSize.nullable(), subject: wantedSize.nullable() }),
    ])
    .nullable()
    .default(null),
  measure: z.enum(['longest', 'height', 'width', 'area']).default('longest'),
  /** What of a subject is its centre: its box's, its area's, or its body's, without handles and straps; the body is measured then, too. */
  middle: z.enum(['box', 'area', 'body']).default('box'),
  gap: z.enum(['enlarge', 'shift', 'extend', 'leave']).default('enlarge'),
  maxEnlarge: z.number().gt(0).max(100).default(1),
  /** What counts as the shape's centre: its box's, its area's, or the point furthest from its edge. */
  centre: z.enum(['box', 'area', 'visual']).default('box'),
  /** Of several faces the clearest alone, or all of them as a group: their common box. */
  faces: z.enum(['clearest', 'group']).default('clearest'),
  /** `eyes` turns the photo so that the eyes of the clearest face are level. */
  straighten: z.enum(['none', 'eyes']).default('none'),
  /** Degrees clockwise by which every photo is turned. */
  angle: z.number().min(-360).max(360).default(0),
  mirror: z.boolean().default(false),
  /** What `gap: extend` fills the missing parts with: the rim mirrored, its last pixels smeared, or those fading into the ground's colour. */
  extend: z.enum(['mirror', 'smear', 'ground']).default('ground'),
});

/** Above or below these a finding is raised. */
const limitsSchema = z.strictObject({
  /** Least room between subject and shape, as a share of the shape's box. */
  clearance: z.number().min(-1).max(1).default(0.01),
  /** Distance of the subject from its spot, as a share of the box's longer side. */
  offSpot: share.default(0.02),
  /** Difference of the subject's size from the wanted one, or from the batch's median where none is wanted. */
  offSize: z.number().min(0).max(10).default(0.1),
  /** Least confidence in a found subject. */
  confidence: share.default(0.45),
  /** How far a second look may be from what placed a subject, as a share of the box's longer side; in size twice as far. */
  apart: share.default(0.03),
  /** Least sharpness, as a share of the batch's median. */
  sharpness: z.number().min(0).max(10).default(0.15),
  /** By how much a photo's lightest parts may be darker, and all of it lighter, than the batch's median (0…1). */
  brightness: share.default(0.2),
  /** Two photos whose hashes differ in at most so many of 64 bits are near duplicates. */
  twins: z.int().min(0).max(32).default(4),
  /** Least contrast of borders and shadows with what they lie on (WCAG 2.2 §1.4.11: 3:1). */
  contrast: z.number().min(1).max(21).default(3),
});

const fillSchema = z.strictObject({
  /** Photos fill the slots in the order of their names, each by its slot's own pattern of names, or by fields of their data. */
  by: z.enum(['order', 'name', 'data']).default('order'),
  /** By data: the field that those of one cutout have in common, and the one that names a photo's slot. */
  group: z.string().trim().max(60).default(''),
  slot: z.string().trim().max(60).default(''),
  /** What stands in where a group lacks a photo: nothing, its first photo once more, or the group is not made. */
  missing: z.enum(['leave', 'repeat', 'skip']).default('leave'),
});

/** A shape that takes a photo of its own, with how that is centred and finished. */
const slotSchema = z.strictObject({
  name: z.string().trim().min(1).max(60),
  /** Of the file names it takes, without ending: `{…}` is what those of one group have in common. Null: `{group}-` and its name. */
  photo: z.string().trim().min(1).max(200).nullable().default(null),
  /** Slots of one name here can be moved together. */
  set: setSchema,
  shape: shapeSchema,
  edge: whole(edgeSchema),
  centring: whole(centringSchema),
  filters: whole(filtersSchema),
  tints: z.array(tint.schema).max(16).default([]),
  borders: z.array(border.schema).max(16).default([]),
  shadows: z.array(shadow.schema).max(16).default([]),
  reflection: reflection.schema.nullable().default(null),
});

/** Texts that files carry, with fields like file names; those that come out empty are not written. */
const metadataText = z.string().max(500).default('');
const metadataSchema = z.strictObject({
  title: metadataText,
  /** What the picture shows, for those who don't see it. */
  alt: metadataText,
  creator: metadataText,
  copyright: metadataText,
});

export const documentSchema = z.strictObject({
  /** Where an editor finds this schema; not read. */
  $schema: z.string().max(500).optional(),
  wobrel: z.literal(1),
  name: z.string().trim().min(1).max(120),
  frame: whole(frameSchema),
  shape: shapeSchema.default({ kind: 'circle' }),
  edge: whole(edgeSchema),
  light: whole(light.schema),
  centring: whole(centringSchema),
  /** The photo lies in the shape, or around it as around a window. */
  mode: z.enum(['cutout', 'window']).default('cutout'),
  /** Where there are any, photos lie in these instead of in the template's own shape, a group of them to a cutout: the first listed lowest. */
  slots: z.array(slotSchema).max(24).default([]),
  fill: whole(fillSchema),
  /** Behind the cutout and its shadows, on the backdrop: the first listed lowest. */
  behind: z.array(behind.schema).max(16).default([]),
  /** Before the cutout and its borders, below the captions: the first listed lowest. */
  before: z.array(before.schema).max(16).default([]),
  /** How sets of those layers are laid. */
  sets: z.array(layerSet.schema).max(32).default([]),
  filters: whole(filtersSchema),
  tints: z.array(tint.schema).max(16).default([]),
  borders: z.array(border.schema).max(16).default([]),
  shadows: z.array(shadow.schema).max(16).default([]),
  reflection: reflection.schema.nullable().default(null),
  mat: whole(mat.schema),
  captions: z.array(caption.schema).max(16).default([]),
  backdrop: groundPaintSchema.nullable().default(null),
  limits: whole(limitsSchema),
  metadata: whole(metadataSchema),
  outputs: z
    .array(outputSchema)
    .min(1)
    .max(24)
    .default([outputSchema.parse({})]),
});

/** What the schema reads, before sizes that depend on each other are filled in. */
export type TemplateDocument = z.infer<typeof documentSchema>;
