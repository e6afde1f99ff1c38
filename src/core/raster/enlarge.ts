/** Opaque pictures made larger. */
import type { PixelWindow } from './coverage';
import { cubicWeights } from './cubic';

type Size = { readonly width: number; readonly height: number };

/** A part of an opaque picture, so many bytes a pixel, and the whole picture's size. */
export type OpaquePart = Size & {
  readonly data: Uint8Array | Uint8ClampedArray;
  readonly channels: 1 | 2 | 3 | 4;
  readonly part: PixelWindow;
};

/** Whether a size is more than another in either direction: libvips then lays all half a pixel too far right and down. */
export const isLarger = (size: Size, than: Size): boolean => size.width > than.width || size.height > than.height;

/** Pixels that a place lies between. */
const TAPS = 4;

/** Where a pixel's middle lies in a line of another length, counted from the first pixel's middle. */
const placeIn = (pixel: number, length: number, source: number) => ((pixel + 0.5) * source) / length - 0.5;

/** Some pixels of a line. */
type Run = readonly [from: number, count: number];

/** The pixels that a run of a line of another length lies between. */
function linePart([from, count]: Run, length: number, source: number): Run {
  const first = Math.max(0, Math.floor(placeIn(from, length, source)) - 1);
  const last = Math.min(source - 1, Math.floor(placeIn(from + count - 1, length, source)) + 2);
  return [first, last - first + 1];
}

/** What of a picture is needed to see a window of it at another size. */
export function partFor({ left, top, width, height }: PixelWindow, size: Size, source: Size): PixelWindow {
  const [x, across] = linePart([left, width], size.width, source.width);
  const [y, down] = linePart([top, height], size.height, source.height);
  return { left: x, top: y, width: across, height: down };
}

/** The four pixels of a shorter line that each of a run lies between, counted from `first` on, and their weights. */
function tapsOf([from, count]: Run, length: number, source: number, first: number) {
  const [pixels, weights] = [new Int32Array(TAPS * count), new Float64Array(TAPS * count)];
  for (let i = 0; i < count; i++) {
    const place = placeIn(from + i, length, source);
    const before = Math.floor(place);
    cubicWeights(place - before, weights, TAPS * i);
    // Beyond the picture lie its rim's pixels.
    for (let tap = 0; tap < TAPS; tap++)
      pixels[TAPS * i + tap] = Math.min(source - 1, Math.max(0, before + tap - 1)) - first;
  }
  return { pixels, weights };
}

type Taps = ReturnType<typeof tapsOf>;

/** A row of the picture's part, as wide as it is wanted. */
function widenRow(
  { data, channels, part }: OpaquePart,
  row: number,
  { pixels, weights }: Taps,
  out: Float64Array,
): void {
  const start = row * part.width;
  for (let i = 0, k = 0; i < pixels.length; i += TAPS) {
    const p = channels * (start + pixels[i]!);
    const q = channels * (start + pixels[i + 1]!);
    const r = channels * (start + pixels[i + 2]!);
    const s = channels * (start + pixels[i + 3]!);
    for (let c = 0; c < channels; c++, k++)
      out[k] = weights[i]! * data[p + c]! + weights[i + 1]! * data[q + c]! + weights[i + 2]! * data[r + c]! + weights[i + 3]! * data[s + c]!; // prettier-ignore
  }
}

/**
 * A window of a picture at a larger size, by Keys' cubic; a pixel's middle lies at + 0.5 in both.
 *
 * @param source must hold `partFor(window, size, source)`
 */
export function enlarged(source: OpaquePart, size: Size, window: PixelWindow): Uint8ClampedArray<ArrayBuffer> {
  const { channels, part } = source;
  const columns = tapsOf([window.left, window.width], size.width, source.width, part.left);
  const rows = tapsOf([window.top, window.height], size.height, source.height, part.top);
  const wide = channels * window.width;
  const out = new Uint8ClampedArray(wide * window.height);
  const lines = Array.from({ length: TAPS }, () => new Float64Array(wide));
  /** Which row lies in each line. */
  const held = new Int32Array(TAPS).fill(-1);
  const lineOf = (row: number) => {
    const line = lines[row % TAPS]!;
    if (held[row % TAPS] !== row) widenRow(source, row, columns, line);
    held[row % TAPS] = row;
    return line;
  };
  for (let y = 0, to = 0; y < window.height; y++) {
    const at = TAPS * y;
    const [a, b, c, d] = [0, 1, 2, 3].map((tap) => lineOf(rows.pixels[at + tap]!)) as [Float64Array, Float64Array, Float64Array, Float64Array]; // prettier-ignore
    const [u, v, w, x] = [rows.weights[at]!, rows.weights[at + 1]!, rows.weights[at + 2]!, rows.weights[at + 3]!];
    for (let k = 0; k < wide; k++, to++) out[to] = u * a[k]! + v * b[k]! + w * c[k]! + x * d[k]!;
  }
  return out;
}
