/** The fused loop of photo and plate. */
import { behindReader, type BehindPixels } from './behind';
import { finishedRow, finishWith, type PhotoFinish, type PickedColours } from './photo-finish';
import type { PixelWindow } from '../raster';
import { layMatte, overlay } from './overlay';
import { SORTS, type Plate } from './plate';

/** Placed photo pixels, row by row, over a window of the plate's pixels. */
export type PhotoPixels = {
  /** Straight RGBA; alpha is below 255 only where the photo does not reach. */
  readonly data: Uint8Array | Uint8ClampedArray;
  /** Holds at least `plate.photoWindow`. */
  readonly window: PixelWindow;
  /** True where every alpha is 255. */
  readonly opaque: boolean;
  /** What the plate wants of it behind, layer by layer (`behindPixels`). */
  readonly behind?: readonly BehindPixels[];
};

type Bytes = Uint8Array | Uint8ClampedArray;

/** Part of a row of the photo: its bytes, and where in them it begins. */
type Part = { readonly bytes: Bytes; readonly p: number };

/** Gives parts of the photo as they are seen on the plate; an answer holds until the next call. */
function photoReader({ data, window }: PhotoPixels, finish: PhotoFinish | null) {
  return (x: number, y: number, n: number): Part => {
    const p = ((y - window.top) * window.width + (x - window.left)) * 4;
    return finish ? { bytes: finishedRow(finish, data, p, x, y, n), p: 0 } : { bytes: data, p };
  };
}

/** What to add, and a share of one source, pixel by pixel; where the next run's numbers begin. */
function mixInto(out: Bytes, k: number, n: number, mixed: Float32Array, m: number, { bytes, p }: Part): number {
  for (const end = k + n * 4; k < end; k += 4, p += 4, m += 4) {
    const share = mixed[m + 3]!;
    out[k] = mixed[m]! + share * bytes[p]!;
    out[k + 1] = mixed[m + 1]! + share * bytes[p + 1]!;
    out[k + 2] = mixed[m + 2]! + share * bytes[p + 2]!;
  }
  return m;
}

/** The colours that a run of one even colour comes to. */
function flatInto(out: Bytes, k: number, n: number, mixed: Float32Array, m: number, colours: PickedColours): number {
  const rgb = [0, 1, 2].map((c) =>
    colours.reduce((sum, colour, i) => sum + 255 * colour[c]! * mixed[m + 3 + i]!, mixed[m + c]!),
  );
  for (const end = k + n * 4; k < end; k += 4) {
    out[k] = rgb[0]!;
    out[k + 1] = rgb[1]!;
    out[k + 2] = rgb[2]!;
  }
  return m + 3 + colours.length;
}

/** Sums in the making, for runs of pixels that come from several sources. */
let sums = new Float32Array(0);

/** What to add and the shares of all sources, pixel by pixel. */
function partsInto(
  out: Bytes,
  k: number,
  n: number,
  mixed: Float32Array,
  m: number,
  colours: PickedColours,
  photos: readonly (() => Part | null)[],
  behind: readonly (() => Part)[],
): number {
  if (sums.length < n * 3) sums = new Float32Array(n * 3);
  const pictures = behind.length;
  const record = 3 + photos.length + colours.length + pictures;
  for (let i = 0, r = m; i < n; i++, r += record)
    for (let c = 0; c < 3; c++) {
      let sum = mixed[r + c]!;
      for (let s = 0; s < colours.length; s++) sum += 255 * colours[s]![c]! * mixed[r + 3 + photos.length + s]!;
      sums[i * 3 + c] = sum;
    }
  const add = (read: () => Part | null, source: number) => {
    const part = read();
    if (!part) return;
    for (let i = 0, r = m + 3 + source, p = part.p; i < n; i++, r += record, p += 4) {
      const share = mixed[r]!;
      if (share > 0) for (let c = 0; c < 3; c++) sums[i * 3 + c]! += share * part.bytes[p + c]!;
    }
  };
  photos.forEach(add);
  behind.forEach((read, k) => add(read, photos.length + colours.length + k));
  for (let i = 0, s = 0; i < n; i++, k += 4, s += 3) {
    out[k] = sums[s]!;
    out[k + 1] = sums[s + 1]!;
    out[k + 2] = sums[s + 2]!;
  }
  return m + n * record;
}

/** Where the photo does not reach, the cutout without it shows: premultiplied, both are mixed by the photo's alpha. */
function mixGaps(
  plate: Plate,
  { data, window }: PhotoPixels,
  readers: readonly Reader[],
  colours: PickedColours,
  out: Uint8ClampedArray,
): void {
  if (!plate.bare) throw new RangeError('a photo with gaps needs a plate compiled with its bare picture');
  const bare = composed(plate.bare, null, readers, colours, new Uint8ClampedArray(out.length));
  const { blank, width, height, mirror } = plate;
  const mixRow = (y: number, row: number) => {
    let p = row * window.width * 4 + 3;
    let k = (y * width + window.left) * 4;
    for (let x = 0; x < window.width; x++, p += 4, k += 4) {
      const photo = data[p]! / 255;
      if (photo === 1) continue;
      const seen = photo * blank[k + 3]!;
      const under = (1 - photo) * bare[k + 3]!;
      const alpha = seen + under;
      if (alpha > 0) for (let c = 0; c < 3; c++) out[k + c] = (seen * out[k + c]! + under * bare[k + c]!) / alpha;
      out[k + 3] = alpha;
    }
  };
  for (let row = 0; row < window.height; row++) {
    const y = window.top + row;
    mixRow(y, row);
    // Its mirror image has the same gaps.
    if (mirror - y > y && mirror - y < height) mixRow(mirror - y, row);
  }
}

/** What lies below all that is mixed with it; without a photo only a plate that shows none. */
function composed(
  plate: Plate,
  photo: PhotoPixels | null,
  readers: readonly Reader[],
  colours: PickedColours,
  out: Uint8ClampedArray<ArrayBuffer>,
) {
  const { runs, mixed, width, mirror } = plate;
  const read = photo && photoReader(photo, plate.finish && finishWith(plate.finish, colours));
  const made: Uint8ClampedArray<ArrayBuffer>[] = [];
  const pictures = plate.made.map((picture): Reader => {
    let read: Reader | null = null;
    return (x, y, n) => {
      if (!read) {
        const pixels = wholeOf(picture, readers, colours, borrowed(picture.blank.length));
        made.push(pixels);
        read = rowsReader(pixels, width);
      }
      return read(x, y, n);
    };
  });
  const behind = [...readers, ...pictures];
  const { top, height } = plate.photoWindow;
  const isSeen = (y: number) => y >= top && y < top + height;
  out.set(plate.blank);
  let m = 0;
  for (let run = 0; run < runs.length; run += 3) {
    const first = runs[run]!;
    const n = runs[run + 1]!;
    const x = first % width;
    const y = (first - x) / width;
    const k = first * 4;
    const sort = runs[run + 2]!;
    switch (sort) {
      case SORTS.photo: {
        const { bytes, p } = read!(x, y, n);
        // One copy of memory, several times faster than pixel by pixel.
        out.set(bytes.subarray(p, p + n * 4), k);
        break;
      }
      case SORTS.mixed:
        m = mixInto(out, k, n, mixed, m, read!(x, y, n));
        break;
      case SORTS.mirrored:
        m = mixInto(out, k, n, mixed, m, read!(x, mirror - y, n));
        break;
      case SORTS.flat:
        m = flatInto(out, k, n, mixed, m, colours);
        break;
      case SORTS.parted: {
        const rowOf = (at: number) => () => (read && isSeen(at) ? read(x, at, n) : null);
        const rowsBehind = behind.map((reader) => () => ({ bytes: reader(x, y, n), p: 0 }));
        m = partsInto(out, k, n, mixed, m, colours, [rowOf(y), rowOf(mirror - y)], rowsBehind);
        break;
      }
      default:
        out.set(behind[sort - SORTS.behind]!(x, y, n).subarray(0, n * 4), k);
    }
  }
  made.forEach(giveBack);
  return out;
}

/** Gives parts of rows of a photo behind, or of a picture made of such. */
type Reader = (x: number, y: number, n: number) => Uint8ClampedArray;

const rowsReader =
  (pixels: Uint8ClampedArray, width: number): Reader =>
  (x, y, n) =>
    pixels.subarray((y * width + x) * 4, (y * width + x + n) * 4);

/** Pictures in the making that are free again. */
const free: Uint8ClampedArray<ArrayBuffer>[] = [];

function borrowed(length: number): Uint8ClampedArray<ArrayBuffer> {
  const at = free.findIndex((one) => one.length === length);
  return at < 0 ? new Uint8ClampedArray(length) : free.splice(at, 1)[0]!;
}

function giveBack(pixels: Uint8ClampedArray<ArrayBuffer>): void {
  free.push(pixels);
  if (free.length > MOST_FREE) free.shift();
}

const MOST_FREE = 4;

const readersOf = ({ behind }: Plate, pictures: readonly BehindPixels[]): Reader[] =>
  behind.map((layer, k) => behindReader(pictures[k]!, layer));

/** Mixes what lies over finished pixels with them, in place. */
function mixOver(
  { over, matte }: Plate,
  readers: readonly Reader[],
  colours: PickedColours,
  out: Uint8ClampedArray,
): void {
  // prettier-ignore
  for (const layer of over) {
    const { plate } = layer;
    if (plate.runs.length === 0 && plate.over.length === 0) {
      overlay(out, plate.blank, layer);
      continue;
    }
    const own = wholeOf(plate, readers, colours, borrowed(plate.blank.length));
    overlay(out, own, layer);
    giveBack(own);
  }
  if (matte) layMatte(out, matte);
}

/** A picture that shows no photo but those behind, with all that is mixed with it. */
function wholeOf(
  plate: Plate,
  readers: readonly Reader[],
  colours: PickedColours,
  out: Uint8ClampedArray<ArrayBuffer>,
) {
  composed(plate, null, readers, colours, out);
  mixOver(plate, readers, colours, out);
  return out;
}

/** The same of a picture by itself. */
export const composeAlone = (
  plate: Plate,
  behind: readonly BehindPixels[],
  colours: PickedColours,
): Uint8ClampedArray<ArrayBuffer> =>
  wholeOf(plate, readersOf(plate, behind), colours, new Uint8ClampedArray(plate.blank.length));

/** Mixes what lies over a cutout of slots with it, in place: of photos it shows none. */
export const finishSheet = (plate: Plate, colours: PickedColours, out: Uint8ClampedArray): void =>
  mixOver(plate, [], colours, out);

/**
 * The finished cutout as straight 8-bit RGBA, plate.width × plate.height; captions come after it.
 *
 * @param colours what the photo gives for each of `plate.picks`
 * @param out where to write; a new array if left out
 */
export function compose(
  plate: Plate,
  pixels: PhotoPixels,
  colours: PickedColours = [],
  out = new Uint8ClampedArray(plate.blank.length),
): Uint8ClampedArray<ArrayBuffer> {
  const readers = readersOf(plate, pixels.behind ?? []);
  composed(plate, pixels, readers, colours, out);
  if (!pixels.opaque) mixGaps(plate, pixels, readers, colours, out);
  mixOver(plate, readers, colours, out);
  return out;
}
