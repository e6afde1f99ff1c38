/** The compiled form of a template at one size: all that does not depend on the photo. */
import type { Caption } from '../layers';
import type { Blend, Picked, Places, Rgba } from '../paint';
import type { PixelWindow } from '../raster';
import type { PhotoBehind } from './behind';
import type { PhotoFinish } from './photo-finish';

/** Whether the picture without photo is wanted, too: for photos that leave gaps, or as a framing that stands alone, whose shadows its bands alone throw. */
export type WithBare = boolean | 'alone';

/**
 * Pixels come from numbered sources: 0 the photo, 1 the photo mirrored for a reflection, from
 * 2 on colours taken from it, and after these the photo once more for each layer behind. Those without any are final in `blank`. The others lie in
 * runs, so that most of a cutout is copied rather than computed.
 */
export type Plate = {
  readonly width: number;
  readonly height: number;
  /** Straight 8-bit RGBA of the cutout without photo; its alpha is the finished cutout's alpha. */
  readonly blank: Uint8ClampedArray;
  /** Triples: first pixel, number of pixels, and the sort of the run. */
  readonly runs: Int32Array;
  /** What the sorts need to know, run by run. All in straight colour: r, g, b to add (0…255), shares of sources 0…1. */
  readonly mixed: Float32Array;
  /** The colours that are taken from each photo: sources 2, 3, … */
  readonly picks: readonly Picked[];
  /** What is wanted of the photo behind: the sources after those. */
  readonly behind: readonly PhotoBehind[];
  /** Pictures of the same size that are made of those and of the colours first: the sources after them. */
  readonly made: readonly Plate[];
  /** What is mixed with the finished pixels, one after the other. */
  readonly over: readonly Overlay[];
  /** Laid under it all in the end, where what is mixed must not see it. */
  readonly matte: Rgba | null;
  /** Row y of the mirrored photo is row `mirror` − y of the photo. */
  readonly mirror: number;
  /** The pixels in which the photo shows: what `compose` wants to be given. */
  readonly photoWindow: PixelWindow;
  /** The pixels that are not fully transparent, captions left out. */
  readonly inked: PixelWindow;
  /** The cutout without any photo at all, for photos that leave gaps; null where none is asked for. */
  readonly bare: Plate | null;
  /** Where there are several photos: a plate for each, and what lies over them; this one is what lies behind. */
  readonly sheet: Sheet | null;
  /** What becomes of the photo's own pixels; null where they stay as they are. */
  readonly finish: PhotoFinish | null;
  /** What is written on it, photo by photo. */
  readonly captions: readonly Caption[];
  /** Pixels per frame unit. */
  readonly scale: number;
  /** Where the frame's corner lies, frame units from the picture's. */
  readonly origin: readonly [x: number, y: number];
};

/** A picture that is mixed with what lies below it, once that is done. */
export type Overlay = {
  readonly plate: Plate;
  readonly blend: Blend;
  /** 0…1. */
  readonly opacity: number;
  /** True where it shows only as far as what is below it does (Compositing 1: source-atop). */
  readonly isAtop: boolean;
  /** What is left of all below it, 0…255 a pixel; null where that is what its alpha leaves. */
  readonly keep: Uint8Array | null;
};

/** A slot's plate, as large as the slot with its finish, and where it lies in the whole picture. */
export type SlotPlate = {
  readonly plate: Plate;
  readonly left: number;
  readonly top: number;
  /** Triples: first pixel of the slot, number of pixels in its row, and 1 where all are opaque; clear ones are left out. */
  readonly spans: Int32Array;
};

export type Sheet = {
  /** The first lowest; null where a slot lies beyond the picture. */
  readonly slots: readonly (SlotPlate | null)[];
  /** The same with all that is fixed laid already, for cutouts whose slots all have a photo; null where that takes too much memory. */
  readonly folded: Folded | null;
};

/** Slots whose fixed pixels are laid already. */
export type Folded = {
  /** What lies behind, with all on it that no photo has a part in. */
  readonly blank: Uint8ClampedArray;
  /** For each slot the spans of its fixed pixels that lie on what photos have a part in. */
  readonly spans: readonly (Int32Array | null)[];
};

/** A placement in the frame as it lies in the picture, whose corner is the mat's. */
export const onPlate = <P extends { readonly x: number; readonly y: number }>(placement: P, { origin }: Plate): P => ({
  ...placement,
  x: placement.x + origin[0],
  y: placement.y + origin[1],
});

/** The sorts of runs, with what `mixed` holds for them. */
export const SORTS = {
  /** Four numbers a pixel: what to add, and the photo's share. */
  mixed: 0,
  /** The photo as it is: nothing. */
  photo: 1,
  /** As `mixed`, of the mirrored photo. */
  mirrored: 2,
  /** Once for the whole run: what to add, and the share of each picked colour. */
  flat: 3,
  /** For each pixel: what to add, and the share of every source. */
  parted: 4,
  /** The first photo behind as it is: nothing. From here on one sort for each of them. */
  behind: 5,
} as const;

/** A copy of an array in memory that threads share. */
function shared<A extends Uint8Array | Uint8ClampedArray | Uint16Array | Int32Array | Float32Array>(values: A): A {
  const Kind = values.constructor as new (buffer: SharedArrayBuffer) => A;
  const copy = new Kind(new SharedArrayBuffer(values.byteLength));
  copy.set(values);
  return copy;
}

const sharedPlaces = (places: Places): Places =>
  places.kind === 'field' ? { ...places, field: { ...places.field, values: shared(places.field.values) } } : places;

const sharedFinish = ({ table, steps }: PhotoFinish): PhotoFinish => ({
  table: table && shared(table),
  steps: steps.map((step) =>
    step.kind === 'blend' ? { ...step, ramp: shared(step.ramp), places: sharedPlaces(step.places) } : step,
  ),
});

const sharedSheet = ({ slots, folded }: Sheet): Sheet => ({
  folded: folded && { blank: shared(folded.blank), spans: folded.spans.map((spans) => spans && shared(spans)) },
  slots: slots.map((slot) => slot && { ...slot, spans: shared(slot.spans), plate: sharedPlate(slot.plate) }),
});

/** The plate with its arrays in memory that worker threads share. */
export const sharedPlate = (plate: Plate): Plate => ({
  ...plate,
  blank: shared(plate.blank),
  bare: plate.bare && sharedPlate(plate.bare),
  runs: shared(plate.runs),
  mixed: shared(plate.mixed),
  made: plate.made.map(sharedPlate),
  over: plate.over.map((one) => ({ ...one, plate: sharedPlate(one.plate), keep: one.keep && shared(one.keep) })),
  finish: plate.finish && sharedFinish(plate.finish),
  sheet: plate.sheet && sharedSheet(plate.sheet),
});
