/** What somebody says by pointing at a photo's subject. */
import { z } from 'zod';

/** A little beyond the photo at most, in shares of it. */
const share = z.number().min(-1).max(2);

export const pointingSchema = z.strictObject({
  /** A rough box: left, top, width, height; null where a place tells what is meant. */
  from: z.tuple([share, share, z.number().gt(0).max(2), z.number().gt(0).max(2)]).nullable(),
  /** Places that are of the subject, or are not. */
  told: z
    .array(
      z.strictObject({
        at: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]),
        is: z.enum(['subject', 'ground']),
      }),
    ) // prettier-ignore
    .max(40),
});
export type Pointing = {
  readonly from: readonly [left: number, top: number, width: number, height: number] | null;
  readonly told: readonly Told[];
};
/** A place of the photo, in shares, of which somebody says what it is. */
export type Told = { readonly at: readonly [x: number, y: number]; readonly is: 'subject' | 'ground' };
