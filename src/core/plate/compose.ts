/** The fused loop of photo and plate. */
import type { PixelWindow } from '../raster';
import { finishedRow } from './photo-finish';
import type { Plate } from './plate';

/** Placed photo pixels, row by row, over a window of the plate's pixels. */
export type PhotoPixels = {
  /** Straight RGBA; alpha is below 255 only where the photo does not reach. */
  readonly data: Uint8Array | Uint8ClampedArray;
  /** Holds at least `plate.photoWindow`. */
  readonly window: PixelWindow;
  /** True where every alpha is 255. */
  readonly opaque: boolean;
};

/** Where the photo does not reach, the cutout without it shows: premultiplied, both are mixed by the photo's alpha. */
function mixGaps({ bare, blank, width }: Plate, { data, window }: PhotoPixels, out: Uint8ClampedArray): void {
  if (!bare) throw new RangeError('a photo with gaps needs a plate compiled with its bare picture');
  let p = 3;
  for (let y = 0; y < window.height; y++) {
    let k = ((window.top + y) * width + window.left) * 4;
    for (let x = 0; x < window.width; x++, p += 4, k += 4) {
      const photo = data[p]! / 255;
      if (photo === 1) continue;
      const seen = photo * blank[k + 3]!;
      const under = (1 - photo) * bare[k + 3]!;
      const alpha = seen + under;
      if (alpha > 0) for (let c = 0; c < 3; c++) out[k + c] = (seen * out[k + c]! + under * bare[k + c]!) / alpha;
      out[k + 3] = alpha;
    }
  }
}

/**
 * The finished cutout as straight 8-bit RGBA, plate.width × plate.height.
 *
 * @param out where to write; a new array if left out
 */
export function compose(
  plate: Plate,
  pixels: PhotoPixels,
  out = new Uint8ClampedArray(plate.blank.length),
): Uint8ClampedArray<ArrayBuffer> {
  const { data, window } = pixels;
  const { runs, mixed, width, finish } = plate;
  out.set(plate.blank);
  let m = 0;
  for (let run = 0; run < runs.length; run += 3) {
    const first = runs[run]!;
    const length = runs[run + 1]!;
    const x = first % width;
    const y = (first - x) / width;
    let p = ((y - window.top) * window.width + (x - window.left)) * 4;
    let photo = data;
    if (finish) {
      photo = finishedRow(finish, data, p, x, y, length);
      p = 0;
    }
    let k = first * 4;
    const end = k + length * 4;
    if (runs[run + 2] === 1) {
      // One copy of memory, several times faster than pixel by pixel.
      out.set(photo.subarray(p, p + length * 4), k);
    } else {
      for (; k < end; k += 4, p += 4, m += 4) {
        const share = mixed[m + 3]!;
        out[k] = mixed[m]! + share * photo[p]!;
        out[k + 1] = mixed[m + 1]! + share * photo[p + 1]!;
        out[k + 2] = mixed[m + 2]! + share * photo[p + 2]!;
      }
    }
  }
  if (!pixels.opaque) mixGaps(plate, pixels, out);
  return out;
}
