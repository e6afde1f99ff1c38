/** The fused loop of photo and plate. */
import { behindReader, type BehindPixels } from './behind';
import { overInto } from './lay';
import { layMatte, overlay } from './overlay';
import type { PickedColours } from './photo-finish';
import { SORTS, type Plate, type SlotPlate } from './plate';
import { sourcesOf, writeRun, type PhotoPixels, type Reader } from './runs';

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
  const { runs, width } = plate;
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
  const sources = sourcesOf(plate, photo, [...readers, ...pictures], colours);
  out.set(plate.blank);
  for (let run = 0, m = 0; run < runs.length; run += 3) m = writeRun(sources, run, m, out, runs[run]! * 4);
  made.forEach(giveBack);
  return out;
}

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
  if (pixels.length > LARGEST_FREE) return;
  free.push(pixels);
  if (free.length > MOST_FREE) free.shift();
}

const MOST_FREE = 4;
/** Larger ones are let go. */
const LARGEST_FREE = 16_000_000;

const readersOf = ({ behind }: Plate, pictures: readonly BehindPixels[]): Reader[] =>
  behind.map((layer, k) => behindReader(pictures[k]!, layer));

/** Mixes what lies over finished pixels with them, in place. */
function mixOver(
  { over, matte }: Plate,
  readers: readonly Reader[],
  colours: PickedColours,
  out: Uint8ClampedArray,
): void {
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

/** Room for a run's pixels. */
let scratch = new Uint8ClampedArray(0);

/** A slot's pixels that are not the same for every photo, laid on the whole picture; its photo leaves no gaps. */
export function composeSlot(
  { plate, left, top }: SlotPlate,
  pixels: PhotoPixels,
  colours: PickedColours,
  out: Uint8ClampedArray,
  across: number,
): void {
  const { runs, blank, width } = plate;
  if (scratch.length < width * 4) scratch = new Uint8ClampedArray(width * 4);
  const sources = sourcesOf(plate, pixels, [], colours);
  for (let run = 0, m = 0; run < runs.length; run += 3) {
    const first = runs[run]!;
    const n = runs[run + 1]!;
    const x = first % width;
    const k = ((top + (first - x) / width) * across + left + x) * 4;
    if (runs[run + 2] === SORTS.photo) {
      m = writeRun(sources, run, m, out, k);
      continue;
    }
    scratch.set(blank.subarray(first * 4, (first + n) * 4));
    m = writeRun(sources, run, m, scratch, 0);
    overInto(out, k, scratch, 0, n);
  }
}
