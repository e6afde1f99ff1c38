/** What of a photo a change was made on, and whether that is still so. */
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import type { PhotoData } from '../../core/fields';
import { adjustmentSchema, handSubjectSchema } from '../../core/placement';
import { dataChangeSchema } from '../../core/table';

/** Of what a change changes, what was there before. */
export const photoStateSchema = z.strictObject({
  review: z.string().max(20).optional(),
  handSubject: handSubjectSchema.nullable().optional(),
  adjustment: adjustmentSchema.nullable().optional(),
  data: dataChangeSchema.optional(),
});
export type PhotoState = z.infer<typeof photoStateSchema>;

type Row = {
  readonly review: string;
  readonly handSubject: unknown;
  readonly adjustment: unknown;
  readonly data: PhotoData;
};

/** A kept value as it would be read today: fields that came later have their defaults. */
const read = (schema: z.ZodType, value: unknown): unknown => {
  const known = value === null ? null : schema.safeParse(value);
  return known === null ? null : known.success ? known.data : value;
};

/** True where a photo is still what a change of it was made on. */
export function isMadeOn(row: Row, { review, handSubject, adjustment, data }: PhotoState): boolean {
  const fields = Object.entries(data ?? {});
  return (
    (review === undefined || review === row.review) &&
    (handSubject === undefined || isDeepStrictEqual(read(handSubjectSchema, row.handSubject), handSubject)) &&
    (adjustment === undefined || isDeepStrictEqual(read(adjustmentSchema, row.adjustment), adjustment)) &&
    fields.every(([field, text]) => (row.data[field] ?? null) === text)
  );
}
