/** What layers behind and before the photo have in common. */
import { z } from 'zod';
import { blendSchema, groundPaintSchema, type Blend } from '../paint';
import { scaleShape, shapeSchema, type Shape, type ShapeDocument } from '../shape';
import { cornersMoved, FITS, isConvex, pictureSchema, type Corner, type Corners } from '../pictures';
import { recoloured } from './recoloured';
import { blendControl, tint } from './tint';
import { lengthSchema, lockedSchema, onSchema, percent, setSchema, shareSchema, signedLengthSchema, type Control } from './layer'; // prettier-ignore

const extent = lengthSchema.gt(0);

const corner = z.tuple([signedLengthSchema, signedLengthSchema]).readonly();

/** An upright box in the frame, frame units. */
const boxSchema = z.strictObject({ cx: signedLengthSchema, cy: signedLengthSchema, width: extent, height: extent });
/** Four corners that a picture is fitted to: those of its left top, right top, right bottom and left bottom. */
const cornersSchema = z.strictObject({
  corners: z
    .tuple([corner, corner, corner, corner])
    .readonly()
    .refine(isConvex, { error: 'the corners cross, coincide or lie on one line' }),
});

/** Where a picture lies in the frame. */
const placeSchema = z.union([boxSchema, cornersSchema]);
export type Place = z.infer<typeof placeSchema>;

/** The four corners of a place. */
export function cornersOf(place: Place): Corners {
  if ('corners' in place) return place.corners;
  const { cx, cy, width, height } = place;
  const [l, t, r, b] = [cx - width / 2, cy - height / 2, cx + width / 2, cy + height / 2];
  return [[l, t], [r, t], [r, b], [l, b]]; // prettier-ignore
}

type Move = (at: Corner) => Corner;

/** A place elsewhere: its points moved, and the sides of a box as lengths become. */
export function placeMoved(place: Place, move: Move, length: (v: number) => number): Place {
  if ('corners' in place) return { corners: cornersMoved(place.corners, move) };
  const [cx, cy] = move([place.cx, place.cy]);
  return { cx, cy, width: length(place.width), height: length(place.height) };
}

/** A shape that needs no other to be worked out. */
const maskSchema = shapeSchema
  .refine(({ kind }) => kind !== 'combined', { error: 'a layer’s shape can’t be a combined one' })
  .refine(({ box }) => box !== undefined, { error: 'a layer’s shape needs a box' });

/** The shape that a layer shows in. */
export const maskOf = ({ shape }: { readonly shape: ShapeDocument | null }): Shape | null => shape as Shape | null;

export type Placed = { readonly place: Place | null; readonly shape: ShapeDocument | null };

/** Where a layer's picture and shape lie once the frame is another: points moved, lengths as they become. */
export function layerMoved<L extends Placed>(layer: L, move: Move, length: (v: number) => number): L {
  const mask = maskOf(layer);
  const place = layer.place && placeMoved(layer.place, move, length);
  if (!mask) return { ...layer, place };
  const [cx, cy] = move([mask.box.cx, mask.box.cy]);
  const box = { ...mask.box, cx, cy, width: length(mask.box.width), height: length(mask.box.height) };
  return { ...layer, place, shape: scaleShape(mask, length, box) };
}

export const picturedFields = {
  paint: groundPaintSchema.default('#f4efe6'),
  /** SHA-256 of a kept picture. */
  picture: pictureSchema.nullable().default(null),
  /** How a picture fills its place, and the photo the picture: a photo behind always covers. */
  fit: z.enum(FITS).default('cover'),
  /** Where a picture lies: a box, four corners that it is bent to, or all over. */
  place: placeSchema.nullable().default(null),
  /** What of it shows: all of it, or what lies in a shape of the frame. */
  shape: maskSchema.nullable().default(null),
  opacity: shareSchema.default(1),
  /** Its colours changed; null as they are. */
  filters: recoloured.schema.nullable().default(null),
  /** A paint on it, as far as it shows. */
  tint: tint.schema.nullable().default(null),
  /** How it is mixed with all that lies below it in the picture, or in its set; a hole is not. */
  blend: blendSchema.default('normal'),
  /** Neighbours of one set are laid on each other first, and then all together as `sets` has it. */
  set: setSchema,
  locked: lockedSchema,
  on: onSchema,
};

type Shown = { readonly show: string };

/** What a photo that is shown once more has besides. */
export const againFields = {
  /** How many times as large as it has to be. */
  zoom: z.number().min(1).max(20).default(1),
};

type Again = Shown & { readonly zoom?: number; readonly blur?: number };
const ofPhoto = ({ show }: Shown) => show === 'photo';

export const againControls = {
  blur: { label: 'Blur', as: 'length', slider: [0, 2], shown: ofPhoto },
  zoom: { label: 'Enlarged', as: 'times', slider: [1, 4], shown: ofPhoto },
} as const satisfies Readonly<Record<string, Control<Again & Record<string, unknown>>>>;

export const picturedParts = { filters: recoloured, tint } as const;

const isNoHole = ({ show }: Shown) => show !== 'hole';

type Laid = { readonly blend: Blend; readonly opacity: number; readonly set: string | null; readonly tint: { readonly on: boolean } | null }; // prettier-ignore

/** How a layer is laid, in a few words; none where it is simply there. */
export const laidWords = ({ blend, opacity, set, tint: own }: Laid): string[] => [
  ...(own?.on ? ['tinted'] : []),
  ...(blend === 'normal' ? [] : [blend.replace('-', ' ')]),
  ...(opacity < 1 ? [percent(opacity)] : []),
  ...(set === null ? [] : [`in ${set}`]),
];

const ofPicture = ({ show }: Shown) => show === 'picture';
/** A photo on top may have a box; it lies upright. */
export const isPlaced = ({ show }: Shown) => show === 'picture' || show === 'photo';
/** What is bent to corners fits by that. */
const isFitted = ({ show, place }: Shown & { readonly place?: unknown }) =>
  show === 'picture' && !(typeof place === 'object' && place !== null && 'corners' in place);

export const picturedControls = {
  picture: { label: 'Picture', as: 'picture', shown: ofPicture },
  paint: { label: 'Paint', as: 'paint', shown: ({ show }: Shown) => show === 'paint' },
  shape: { label: 'Within', as: 'mask' },
  place: { label: 'Lies', as: 'box', shown: ofPicture },
  fit: { label: 'Fit', as: 'choice', options: { cover: 'cover', contain: 'contain', stretch: 'stretch' }, shown: isFitted }, // prettier-ignore
  opacity: { label: 'Strength', as: 'strength' },
  blend: { ...blendControl, shown: isNoHole },
  set: { label: 'Set', as: 'set' },
} as const satisfies Readonly<Record<string, Control<Shown & Record<string, unknown>>>>;
