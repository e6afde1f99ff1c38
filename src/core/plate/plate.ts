/** The compiled form of a template at one size: all that does not depend on the photo. */
import type { Places } from '../paint';
import type { PixelWindow } from '../raster';
import type { PhotoFinish } from './photo-finish';

/**
 * Pixels of a plate are of three sorts: those without photo are final in `blank`; those
 * that are all photo are copied from it; and mixed ones are base + share · photo. Rows
 * are kept as runs, so that most of a cutout is copied rather than computed.
 */
export type Plate = {
  readonly width: number;
  readonly height: number;
  /** Straight 8-bit RGBA of the cutout without photo; its alpha is the finished cutout's alpha. */
  readonly blank: Uint8ClampedArray;
  /** Triples: first pixel, number of pixels, and 1 for a run of pure photo or 0 for a mixed run. */
  readonly runs: Int32Array;
  /** For every mixed pixel in turn: r, g, b to add (0…255) and the photo's share (0…1), in straight colour. */
  readonly mixed: Float32Array;
  /** The pixels in which the photo shows: what `compose` wants to be given. */
  readonly photoWindow: PixelWindow;
  /** The pixels that are not fully transparent. */
  readonly inked: PixelWindow;
  /** The cutout without any photo at all, straight 8-bit RGBA, for photos that leave gaps; null where none is asked for. */
  readonly bare: Uint8ClampedArray | null;
  /** What becomes of the photo's own pixels; null where they stay as they are. */
  readonly finish: PhotoFinish | null;
  /** Pixels per frame unit. */
  readonly scale: number;
};

/** A copy of an array in memory that threads share. */
function shared<A extends Uint8ClampedArray | Uint16Array | Int32Array | Float32Array>(values: A): A {
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

/** The plate with its arrays in memory that worker threads share. */
export const sharedPlate = (plate: Plate): Plate => ({
  ...plate,
  blank: shared(plate.blank),
  bare: plate.bare && shared(plate.bare),
  runs: shared(plate.runs),
  mixed: shared(plate.mixed),
  finish: plate.finish && sharedFinish(plate.finish),
});
