/** What layers behind and before the photo have in common. */
import { z } from 'zod';
import { areaPaintSchema } from '../paint';
import { FITS } from '../pictures';
import { lengthSchema, onSchema, shareSchema, signedLengthSchema, type Control } from './layer';

const extent = lengthSchema.gt(0);

/** A place in the frame, upright; frame units. */
export const placeSchema = z.strictObject({
  cx: signedLengthSchema,
  cy: signedLengthSchema,
  width: extent,
  height: extent,
});
export type Place = z.infer<typeof placeSchema>;

export const picturedFields = {
  paint: areaPaintSchema.default('#f4efe6'),
  /** SHA-256 of a kept picture. */
  picture: z
    .string()
    .regex(/^[0-9a-f]{64}$/, { error: 'expected the SHA-256 of a kept picture' })
    .nullable()
    .default(null),
  /** How a picture fills its place, and the photo the picture: a photo behind always covers. */
  fit: z.enum(FITS).default('cover'),
  /** Where a picture lies; null is all of it. */
  place: placeSchema.nullable().default(null),
  opacity: shareSchema.default(1),
  on: onSchema,
};

type Shown = { readonly show: string };
const ofPicture = ({ show }: Shown) => show === 'picture';

export const picturedControls = {
  picture: { label: 'Picture', as: 'picture', shown: ofPicture },
  paint: { label: 'Paint', as: 'paint', shown: ({ show }: Shown) => show === 'paint' },
  fit: { label: 'Fit', as: 'choice', options: { cover: 'cover', contain: 'contain', stretch: 'stretch' }, shown: ofPicture }, // prettier-ignore
  place: { label: 'Lies', as: 'box', shown: ofPicture },
  opacity: { label: 'Strength', as: 'strength' },
} as const satisfies Readonly<Record<string, Control<Shown & Record<string, unknown>>>>;
