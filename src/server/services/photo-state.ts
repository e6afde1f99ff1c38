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

type Change = PhotoState & { readonly was: PhotoState };

/** True where a photo is still what a change of it was made on, or is what the change makes of it: its answer may have been lost. */
export function isMadeOn(row: Row, change: Change): boolean {
  const { was } = change;
  const kept = {
    review: row.review,
    handSubject: read(handSubjectSchema, row.handSubject),
    adjustment: read(adjustmentSchema, row.adjustment),
  };
  const isSo = (key: keyof typeof kept) =>
    was[key] === undefined || isDeepStrictEqual(kept[key], was[key]) || isDeepStrictEqual(kept[key], change[key]);
  const isSaid = (field: string, text: string | null) => [text, change.data?.[field]].includes(row.data[field] ?? null);
  return (
    isSo('review') &&
    isSo('handSubject') &&
    isSo('adjustment') &&
    Object.entries(was.data ?? {}).every(([field, text]) => isSaid(field, text))
  );
}
