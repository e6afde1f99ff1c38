/** Random template documents by the published schema: every layer with every field, at the ends of their ranges and between. */
import fc from 'fast-check';
import { z } from 'zod';
import { fileSchema } from '../template';

/** What is used of JSON Schema (2020-12). */
type Schema = {
  readonly $ref?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly type?: string;
  readonly pattern?: string;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly items?: Schema | false;
  readonly prefixItems?: readonly Schema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
};

type Any = fc.Arbitrary<unknown>;

/** The side of the frame, px. */
export const DOCUMENT_SIDE = 600;

/** Where numbers lie most often, so that most documents come to something. */
const USUAL: Readonly<Record<string, readonly [least: number, most: number]>> = {
  opacity: [0, 1],
  blur: [0, 60],
  spread: [-20, 20],
  feather: [0, 60],
  rounding: [0, 400],
  width: [1, 200],
  height: [1, 400],
  size: [10, 80],
  gap: [0, 30],
  cx: [100, 500],
  cy: [100, 500],
};
const ELSE = 100;

/** Nested shapes and paints end here. */
const DEEPEST = 7;

/** Not of a look: they have tests of their own, or are about several files. */
const LEFT_OUT = ['$schema', 'open', 'pictures', 'fill', 'limits', 'metadata', 'outputs', 'frame'];

/** The one picture that documents show; who draws them has to have it at hand. */
export const DOCUMENT_PICTURE = 'a'.repeat(64);

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

function numberOf(key: string, { type, minimum, exclusiveMinimum, maximum }: Schema): Any {
  const least = minimum ?? (exclusiveMinimum === undefined ? -1000 : exclusiveMinimum + 1e-3);
  const most = maximum ?? 1000;
  const [low, high] = USUAL[key] ?? [-ELSE, ELSE];
  const from = Math.min(most, Math.max(least, low));
  const to = Math.max(from, Math.min(most, high));
  const value = fc.oneof({ weight: 40, arbitrary: number(from, to) }, { weight: 1, arbitrary: fc.constantFrom(least, most) }); // prettier-ignore
  return type === 'integer' ? value.map(Math.round) : value;
}

const colour = fc
  .tuple(fc.constantFrom(3, 6, 8), fc.array(fc.constantFrom(...'0123456789abcdef'), { minLength: 8, maxLength: 8 }))
  .map(([n, digits]) => `#${digits.slice(0, n).join('')}`);

/** What only some values of are good: how a curve rises, four corners, path data. */
const SPECIAL: Readonly<Record<string, Any>> = {
  curve: fc
    .array(fc.tuple(number(0.05, 0.95), number(0, 1)), { maxLength: 3 })
    .map((points) => [[0, 0.2], ...points.sort(([a], [b]) => a - b), [1, 0.8]]),
  corners: fc
    .array(number(0, 60), { minLength: 8, maxLength: 8 })
    .map((v) => [[v[0], v[1]], [250 + v[2]!, v[3]], [250 + v[4]!, 250 + v[5]!], [v[6], 250 + v[7]!]]), // prettier-ignore
  d: fc
    .array(fc.tuple(number(0, 600), number(0, 600)), { minLength: 3, maxLength: 12 })
    .map((points) => `M${points.map((point) => point.join(' ')).join('L')}Z`),
  text: fc.constantFrom('{photo}', 'A', 'Äß {index}', ' '),
};

/** Values of a schema; null where there are none. */
function arbitraryOf(schema: Schema, key: string, defs: Readonly<Record<string, Schema>>, depth: number): Any | null {
  if (schema.$ref) return depth > DEEPEST ? fc.constant({ kind: 'circle' }) : arbitraryOf(defs[schema.$ref.split('/').pop()!]!, key, defs, depth + 1); // prettier-ignore
  if (schema.const !== undefined) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const several = schema.anyOf ?? schema.oneOf;
  if (several) {
    const known = several.flatMap((one) => arbitraryOf(one, key, defs, depth + 1) ?? []);
    return known.length === 0 ? null : fc.oneof(...known);
  }
  const special = SPECIAL[key];
  if (special && (schema.type === 'string' || schema.type === 'array') && (key !== 'corners' || schema.prefixItems?.[0]?.prefixItems)) return special; // prettier-ignore
  switch (schema.type) {
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    case 'number':
    case 'integer':
      return numberOf(key, schema);
    case 'string':
      return schema.pattern?.startsWith('^#') ? colour : schema.pattern?.includes('{64}') ? fc.constant(DOCUMENT_PICTURE) : fc.constantFrom('a', 'b'); // prettier-ignore
    case 'array': {
      if (schema.prefixItems) return fc.tuple(...schema.prefixItems.map((one) => arbitraryOf(one, key, defs, depth + 1)!)); // prettier-ignore
      const item = schema.items ? arbitraryOf(schema.items, key, defs, depth + 1) : null;
      const minLength = schema.minItems ?? 0;
      return item && fc.array(item, { minLength, maxLength: Math.max(minLength, Math.min(schema.maxItems ?? 3, 3)) });
    }
    default:
      return recordOf(schema, defs, depth);
  }
}

function recordOf({ properties = {}, required = [] }: Schema, defs: Readonly<Record<string, Schema>>, depth: number) {
  const fields: Record<string, Any> = {};
  for (const [key, schema] of Object.entries(properties)) {
    const value = arbitraryOf(schema, key, defs, depth + 1);
    if (value) fields[key] = value;
    else if (required.includes(key)) return null;
  }
  return fc.record(fields, { requiredKeys: required.filter((key) => key in fields) });
}

type Layer = { readonly show?: string; readonly shape?: { readonly kind: string; readonly box?: object } | null };

/** A shape of one part, with a box. */
const boxed = <L extends Layer>(layer: L): L =>
  layer.shape ? { ...layer, shape: { ...(layer.shape.kind === 'combined' ? { kind: 'star' } : layer.shape), box: layer.shape.box ?? LAYER_BOX } } : layer; // prettier-ignore
const LAYER_BOX = { cx: 220, cy: 260, width: 200, height: 140 };

/** What has to suit several photos in one cutout: slots that are told apart by their names, and no layer that shows the one photo. */
const slotted = (slots: readonly Layer[]) => slots.map((slot, i) => ({ ...boxed(slot), name: `s${i}`, photo: null }));
const withoutThePhoto = (layers: readonly Layer[]) => layers.filter(({ show }) => show !== 'photo');

/** Documents of a square frame with one output as large; not all of them are taken: some fields have to suit each other. */
export function documents(): fc.Arbitrary<object> {
  const { properties, $defs } = z.toJSONSchema(fileSchema, { io: 'input' }) as unknown as Schema & { readonly $defs: Readonly<Record<string, Schema>> }; // prettier-ignore
  const looks = Object.fromEntries(Object.entries(properties!).filter(([key]) => !LEFT_OUT.includes(key)));
  const frame = { width: DOCUMENT_SIDE, height: DOCUMENT_SIDE };
  const listOf = (list: unknown) => (list ?? []) as readonly Layer[];
  return recordOf({ properties: { ...looks, sets: { ...looks.sets, maxItems: 1 } }, required: [] }, $defs, 0)!.map(
    (fields) => {
      const slots = slotted(listOf(fields.slots));
      const [behind, before] = [fields.behind, fields.before].map((list) => listOf(list).map(boxed));
      const all = { ...fields, behind, before, slots, wobrel: 1, name: 'any', frame };
      if (slots.length === 0) return all;
      return { ...all, mode: 'cutout', behind: withoutThePhoto(behind!), before: withoutThePhoto(before!) };
    },
  );
}
