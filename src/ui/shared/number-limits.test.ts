import { z } from 'zod';
import { edgeRelief, LAYER_LISTS, light, mat, reflection, rough, type LayerPart } from '@/core/layers';
import { limitsOf } from './number-limits';

test.each([
  [z.number().min(-5).max(5), [-5, 5]],
  [z.number().gt(0).max(5).default(2), [0.01, 5]],
  [z.number().gt(0).lt(1).nullable().default(null), [0.01, 0.99]],
  [z.int().min(1).max(40), [1, 40]],
])('limits are numbers that may be', (schema, limits) => expect(limitsOf(schema)).toEqual(limits));

/** Forms in which numbers are asked for by their schema's limits. */
const NUMBERS = ['length', 'times', 'angle', 'count', 'number', 'strength'];

const numbersOf = (part: LayerPart): [string, z.ZodType][] => [
  ...Object.entries(part.controls).flatMap(([key, control]): [string, z.ZodType][] =>
    NUMBERS.includes(control!.as) ? [[key, part.schema.shape[key] as z.ZodType]] : [],
  ),
  ...Object.values(part.parts ?? {}).flatMap((inner) => numbersOf(inner!)),
];

const parts: readonly LayerPart[] = [...Object.values(LAYER_LISTS), edgeRelief, light, mat, reflection, rough];

test('whatever number of a layer is set to its limits is taken', () => {
  const numbers = parts.flatMap(numbersOf);
  expect(numbers.length).toBeGreaterThan(40);
  for (const [key, schema] of numbers)
    for (const limit of limitsOf(schema)) expect([key, limit, schema.safeParse(limit).success]).toEqual([key, limit, true]); // prettier-ignore
});
