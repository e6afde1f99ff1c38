import { z } from 'zod';

/** Least and most of a number by its schema, behind its default and, where it may be open, its null. */
export function limitsOf(schema: z.ZodType): readonly [number, number] {
  let inner: z.ZodType = schema;
  while (inner instanceof z.ZodDefault || inner instanceof z.ZodNullable) inner = inner.unwrap() as z.ZodType;
  const { minValue, maxValue } = inner as z.ZodNumber;
  return [minValue ?? 0, maxValue ?? 100_000];
}
