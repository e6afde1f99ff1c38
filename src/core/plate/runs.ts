/** A plate's runs of pixels, each written by the kernel of its sort. */
import type { BehindPixels } from './behind';
import { finishedRow, finishWith, type PhotoFinish, type PickedColours } from './photo-finish';
import type { PixelWindow } from '../raster';
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
  /** True where the plate's finish is on them already. */
  readonly isFinished?: boolean;
};

/** The photo with the plate's finish on it, as every plate with the same finish shows it. */
export function finishedPhoto(
  { finish, photoWindow: window }: Plate,
  photo: PhotoPixels,
  colours: PickedColours,
): PhotoPixels {
  if (!finish) return photo;
  const { left, top, width, height } = window;
  const rows = { photo, finish: finishWith(finish, colours) };
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) {
    const { bytes, p } = photoPart(rows, left, top + y, width);
    data.set(bytes.subarray(p, p + width * 4), y * width * 4);
  }
  return { ...photo, data, window, isFinished: true };
}

/** Gives parts of rows of a photo behind, or of a picture made of such. */
export type Reader = (x: number, y: number, n: number) => Uint8ClampedArray;

type Bytes = Uint8Array | Uint8ClampedArray;

/** Part of a row of the photo: its bytes, and where in them it begins. */
type Part = { readonly bytes: Bytes; readonly p: number };

/** The photo as it is seen on the plate. */
type Seen = { readonly photo: PhotoPixels; readonly finish: PhotoFinish | null };

/**
 * A part of a row; it holds until the next call. Neither this nor what writes runs is a closure of each photo's own: what
 * is compiled for one is forgotten once the last of them is gone, and compiled anew for the next photo.
 */
function photoPart({ photo: { data, window }, finish }: Seen, x: number, y: number, n: number): Part {
  const p = ((y - window.top) * window.width + (x - window.left)) * 4;
  return finish ? { bytes: finishedRow(finish, data, p, x, y, n), p: 0 } : { bytes: data, p };
}

/** Runs that lie so many pixels apart at the most are finished at once. */
const BESIDE = 8;

/** Where in its row the last of the runs ends that lie beside this one. */
function endBeside({ runs, width }: Plate, run: number): number {
  const first = runs[run]!;
  const start = first - (first % width);
  let end = first + runs[run + 1]!;
  for (let next = run + 3; next < runs.length; next += 3) {
    const from = runs[next]!;
    if (from - end > BESIDE || from >= start + width) break;
    end = from + runs[next + 1]!;
  }
  return end - start;
}

/** A part of one of the photo's rows that is finished. */
type Beside = { readonly bytes: Uint8ClampedArray; row: number; from: number; to: number };

/** Of a finished photo, a row's runs beside each other are finished together: a few pixels at a time take as long as many. */
type Rows = Seen & { readonly beside: Beside | null };

/** What one run of a plate shows of the photo. */
function runPart(rows: Rows, plate: Plate, run: number, x: number, y: number, n: number): Part {
  const { beside } = rows;
  if (!beside) return photoPart(rows, x, y, n);
  if (y !== beside.row || x < beside.from || x + n > beside.to) {
    const { left, width } = plate.photoWindow;
    beside.row = y;
    beside.from = x;
    beside.to = Math.max(x + n, Math.min(left + width, endBeside(plate, run)));
    const part = photoPart(rows, x, y, beside.to - x);
    beside.bytes.set(part.bytes.subarray(part.p, part.p + (beside.to - x) * 4));
  }
  return { bytes: beside.bytes, p: (x - beside.from) * 4 };
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

/** What a plate's runs are written with. */
export type Sources = {
  readonly plate: Plate;
  /** The photo as it stands and mirrored, each with a row of its own. */
  readonly rows: Rows | null;
  readonly mirrored: Rows | null;
  /** What lies behind, and what is made of it. */
  readonly others: readonly Reader[];
  readonly colours: PickedColours;
};

export function sourcesOf(
  plate: Plate,
  photo: PhotoPixels | null,
  others: readonly Reader[],
  colours: PickedColours,
): Sources {
  const finish = plate.finish && !photo?.isFinished ? finishWith(plate.finish, colours) : null;
  const beside = () => finish && { bytes: new Uint8ClampedArray(plate.photoWindow.width * 4), row: -1, from: 0, to: 0 };
  const rows = () => photo && { photo, finish, beside: beside() };
  return { plate, rows: rows(), mirrored: rows(), others, colours };
}

/**
 * Writes the plate's run that begins at `run` to `k` in `out`, with the numbers that begin at `m` in `mixed`; answers
 * where those of the next run do. Alpha is left as it is, but for what is copied whole.
 */
export function writeRun(sources: Sources, run: number, m: number, out: Uint8ClampedArray, k: number): number {
  const { plate, rows, mirrored, others, colours } = sources;
  const { runs, mixed, width, mirror } = plate;
  const first = runs[run]!;
  const n = runs[run + 1]!;
  const x = first % width;
  const y = (first - x) / width;
  const sort = runs[run + 2]!;
  switch (sort) {
    case SORTS.photo: {
      const { bytes, p } = runPart(rows!, plate, run, x, y, n);
      // One copy of memory, several times faster than pixel by pixel.
      out.set(bytes.subarray(p, p + n * 4), k);
      return m;
    }
    case SORTS.mixed:
      return mixInto(out, k, n, mixed, m, runPart(rows!, plate, run, x, y, n));
    case SORTS.mirrored:
      return mixInto(out, k, n, mixed, m, runPart(mirrored!, plate, run, x, mirror - y, n));
    case SORTS.flat:
      return flatInto(out, k, n, mixed, m, colours);
    case SORTS.parted:
      return writeParted(sources, run, m, out, k);
    default:
      out.set(others[sort - SORTS.behind]!(x, y, n).subarray(0, n * 4), k);
      return m;
  }
}

/** A run of pixels that come from several sources. */
function writeParted(
  { plate, rows, mirrored, others, colours }: Sources,
  run: number,
  m: number,
  out: Uint8ClampedArray,
  k: number,
): number {
  const { runs, mixed, width, mirror, photoWindow } = plate;
  const first = runs[run]!;
  const n = runs[run + 1]!;
  const x = first % width;
  const y = (first - x) / width;
  // Where several pictures lie behind, such a run may reach beyond the photo on all sides: it has no share there.
  const { left, top } = photoWindow;
  const [from, to] = [Math.max(x, left), Math.min(x + n, left + photoWindow.width)];
  const within = (own: Rows | null, row: number): Part | null => {
    if (!own || from >= to || row < top || row >= top + photoWindow.height) return null;
    const { bytes, p } = runPart(own, plate, run, from, row, to - from);
    return { bytes, p: p - (from - x) * 4 };
  };
  const photos = [() => within(rows, y), () => within(mirrored, mirror - y)];
  const behind = others.map((reader) => () => ({ bytes: reader(x, y, n), p: 0 }));
  return partsInto(out, k, n, mixed, m, colours, photos, behind);
}
