import { z } from 'zod';
import { faultOf, inWords } from './issue-words';

const document = z.strictObject({
  name: z.string().min(1).max(5).optional(),
  long: z.string().min(3).optional(),
  count: z.int().min(1).max(40).optional(),
  width: z.number().gt(0).lt(10).optional(),
  step: z.number().multipleOf(5).optional(),
  on: z.boolean().optional(),
  least: z.array(z.number()).min(1).max(2).optional(),
  join: z.enum(['round', 'miter', 'bevel']).optional(),
  wobrel: z.literal(1).optional(),
  mail: z.email().optional(),
  sum: z
    .string()
    .regex(/^[0-9a-f]+$/)
    .optional(),
  colour: z.string().regex(/^#/, { error: 'expected a colour' }).optional(),
  shape: z.discriminatedUnion('kind', [z.object({ kind: z.literal('circle') }), z.object({ kind: z.literal('star'), tips: z.int() })]).optional(), // prettier-ignore
  paint: z.union([z.string(), z.strictObject({ of: z.strictObject({ size: z.number() }) })]).optional(),
  size: z.union([z.number(), z.null(), z.literal('alike')]).optional(),
  text: z.union([z.string(), z.strictObject({ wanted: z.number() })]).optional(),
  room: z
    .union([z.strictObject({ top: z.number().optional() }), z.strictObject({ left: z.number().optional() })])
    .optional(),
  values: z.record(z.string().max(3), z.number()).optional(),
});

function said(value: unknown): string {
  const { at, message } = faultOf(document.safeParse(value, { error: inWords }).error!);
  return `${at}: ${message}`;
}

test.each<[value: unknown, words: string]>([
  [{ name: '' }, 'name: must not be empty'],
  [{ name: 'Teapot' }, 'name: must have at most 5 characters'],
  [{ long: 'ab' }, 'long: must have at least 3 characters'],
  [{ name: 3 }, 'name: must be text, not a number'],
  [{ name: null }, 'name: must be text, not null'],
  [{ count: 41 }, 'count: must be at most 40'],
  [{ count: 1.5 }, 'count: must be a whole number'],
  [{ count: '3' }, 'count: must be a number, not text'],
  [{ width: 0 }, 'width: must be more than 0'],
  [{ width: 10 }, 'width: must be less than 10'],
  [{ width: NaN }, 'width: must be a number'],
  [{ width: Infinity }, 'width: must be a number'],
  [{ step: 7 }, 'step: must be a multiple of 5'],
  [{ on: [] }, 'on: must be true or false, not a list'],
  [{ least: [] }, 'least: must have at least 1 entry'],
  [{ least: [1, 2, 3] }, 'least: must have at most 2 entries'],
  [{ least: [1, {}] }, 'least[1]: must be a number, not an object'],
  [{ join: 'square' }, 'join: must be round, miter or bevel'],
  [{ wobrel: 2 }, 'wobrel: must be 1'],
  [{ mail: 'nobody' }, 'mail: must be an e-mail address'],
  [{ sum: 'xyz' }, 'sum: is not written as it must be'],
  [{ colour: 'red' }, 'colour: expected a colour'],
  [{ shape: { kind: 'moon' } }, 'shape.kind: must be circle or star'],
  [{ shape: { kind: 'star' } }, 'shape.tips: is missing'],
  [{ paint: 3 }, 'paint: must be text or an object'],
  [{ size: 'big' }, 'size: must be a number, null or alike'],
  [{ text: { wanted: 1, more: 2 } }, 'text.more: is not a field here'],
  [{ room: { depth: 1 } }, 'room: is none of what it may be'],
  [{ paint: { of: { size: 'large' } } }, 'paint.of.size: must be a number, not text'],
  [{ values: { price: 1 } }, 'values.price: has a name that nothing here may have'],
  [{ height: 1, depth: 2 }, 'height: is not a field here'],
  [[], ': must be an object, not a list'],
])('%j', (value, words) => expect(said(value)).toBe(words));

test('of many values the first ones are named', () => {
  const many = z.enum(Array.from({ length: 60 }, (_, i) => `v${i}`) as [string, ...string[]]);
  const { message } = many.safeParse('x', { error: inWords }).error!.issues[0]!;
  expect(message).toMatch(/^must be one of v0, v1, .* v23 and others$/);
});
