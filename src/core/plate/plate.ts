/** The compiled form of a template at one size: all that does not depend on the photo. */
import type { PixelWindow } from '../raster';

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
  /** Pixels per frame unit. */
  readonly scale: number;
};

/** The plate with its arrays in memory that worker threads share. */
export function sharedPlate(plate: Plate): Plate {
  const shared = (pixels: Uint8ClampedArray) => {
    const copy = new Uint8ClampedArray(new SharedArrayBuffer(pixels.byteLength));
    copy.set(pixels);
    return copy;
  };
  const runs = new Int32Array(new SharedArrayBuffer(plate.runs.byteLength));
  runs.set(plate.runs);
  const mixed = new Float32Array(new SharedArrayBuffer(plate.mixed.byteLength));
  mixed.set(plate.mixed);
  return { ...plate, blank: shared(plate.blank), bare: plate.bare && shared(plate.bare), runs, mixed };
}
