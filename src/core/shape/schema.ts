/** The `shape` of a template document. */
import { z } from 'zod';
import type { ShapeDefinition } from './definition';
import { DEFINITIONS } from './registry';

const place = z.number().min(-100_000).max(100_000);
const size = z.number().gt(0).max(100_000);
const degrees = z.number().min(-360).max(360);

/** Where the shape lies: centre, size, mirrored left to right, then turned (degrees clockwise); in frame units. */
export const boxSchema = z.strictObject({
  cx: place,
  cy: place,
  width: size,
  height: size,
  angle: degrees.default(0),
  mirror: z.boolean().default(false),
});
export type Box = z.infer<typeof boxSchema>;

type KindSchema<D> =
  D extends ShapeDefinition<infer Kind, infer Params>
    ? z.ZodObject<{ kind: z.ZodLiteral<Kind>; box: z.ZodOptional<typeof boxSchema> } & Params, z.core.$strict>
    : never;

const kindSchema = ({ kind, params }: { kind: string; params: z.ZodRawShape }) =>
  z.strictObject({ kind: z.literal(kind), box: boxSchema.optional(), ...params });

/** One schema a catalogue kind. The list is typed kind by kind, which a mapped call can't be. */
const catalogueSchemas = DEFINITIONS.map((definition) => kindSchema(definition)) as unknown as {
  -readonly [I in keyof typeof DEFINITIONS]: KindSchema<(typeof DEFINITIONS)[I]>;
};

/** Path data (SVG 2 chapter 9): in frame units as it stands, or fitted to the box. */
const pathSchema = z.strictObject({
  kind: z.literal('path'),
  box: boxSchema.optional(),
  d: z.string().min(1).max(1_000_000),
  fillRule: z.enum(['nonzero', 'evenodd']).default('nonzero'),
});

/** Letters as a shape. Their outline `d` travels with them, so that it is the same wherever the template is opened. */
const textSchema = z.strictObject({
  kind: z.literal('text'),
  box: boxSchema.optional(),
  text: z.string().trim().min(1).max(80),
  font: z.string().min(1).max(60),
  d: z.string().min(1).max(1_000_000),
});

/** Copies of a part: each a step further turned, scaled and moved than the one before. */
const repeatSchema = z.strictObject({
  count: z.int().min(1).max(120).default(1),
  angle: degrees.default(0),
  scale: z.number().min(0.1).max(10).default(1),
  x: place.default(0),
  y: place.default(0),
  /** What is turned about, in frame units; the part's own centre if left out. */
  about: z.tuple([place, place]).nullable().default(null),
});
export type Repeat = z.infer<typeof repeatSchema>;

const opSchema = z.enum(['add', 'cut', 'overlap']);

type Single = z.infer<(typeof catalogueSchemas)[number]> | z.infer<typeof pathSchema> | z.infer<typeof textSchema>;
export type PartDocument = { op: z.infer<typeof opSchema>; off: boolean; repeat: Repeat; shape: ShapeDocument };
export type CombinedDocument = { kind: 'combined'; box?: Box | undefined; parts: PartDocument[] };
/** A shape as it is written; boxes may be left out. */
export type ShapeDocument = Single | CombinedDocument;

/** Shapes within shapes within shapes: more is a mistake, or meant to exhaust. */
export const MAX_DEPTH = 6;

const partSchema = z.strictObject({
  op: opSchema,
  /** Turned off for a moment: it stays in the list but has no effect. */
  off: z.boolean().default(false),
  repeat: repeatSchema.prefault({}),
  get shape(): z.ZodType<ShapeDocument> {
    return shapeSchema;
  },
});

const combinedSchema = z.strictObject({
  kind: z.literal('combined'),
  box: boxSchema.optional(),
  parts: z.array(partSchema).min(1).max(400),
});

export const shapeSchema: z.ZodType<ShapeDocument> = z.discriminatedUnion('kind', [
  pathSchema,
  textSchema,
  combinedSchema,
  ...catalogueSchemas,
]);
