import { z } from 'zod';

/** The nearest that is offered to a bound which is not reached itself. */
const NEAR = 0.01;

/** Least and most that a number may be by its schema, behind its default and, where it may be open, its null. */
export function limitsOf(schema: z.ZodType): readonly [number, number] {
  let inner: z.ZodType = schema;
  while (inner instanceof z.ZodDefault || inner instanceof z.ZodNullable) inner = inner.unwrap() as z.ZodType;
  const { minValue, maxValue } = inner as z.ZodNumber;
  const [least, most] = [minValue ?? 0, maxValue ?? 100_000];
  const isReached = (bound: number) => inner.safeParse(bound).success;
  return [isReached(least) ? least : least + NEAR, isReached(most) ? most : most - NEAR];
}
