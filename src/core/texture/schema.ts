/** The `of` of a texture in a document: its kind, and its own numbers. */
import { z } from 'zod';
import type { TextureDefinition } from './definition';
import { DEFINITIONS } from './registry';

type KindSchema<D> =
  D extends TextureDefinition<infer Kind, infer Params>
    ? z.ZodObject<{ kind: z.ZodLiteral<Kind> } & Params, z.core.$strict>
    : never;

const kindSchema = ({ kind, params }: { kind: string; params: z.ZodRawShape }) =>
  z.strictObject({ kind: z.literal(kind), ...params });

type Schema = KindSchema<(typeof DEFINITIONS)[number]>;

/** One schema a kind. The list is typed kind by kind, which a mapped call can't be. */
const schemas = DEFINITIONS.map((definition) => kindSchema(definition)) as unknown as [Schema, ...Schema[]];

export const textureSchema = z.discriminatedUnion('kind', schemas);
export type Texture = z.infer<Schema>;
