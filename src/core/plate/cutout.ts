/** The cutout itself, without what lies behind it: its rings' paints and its photo, pixel by pixel. */
import type { Coat } from './coat';
import { otherUntil, sameUntil } from '../raster';
import { coatLayer } from './coat';
import type { Ring } from './layers';
import { ALPHA, channelsFor, PHOTO, type Others } from './pixel';

/** A band of rows of the picture: one mask a level, width × height shares row by row. */
export type Cutout = {
  readonly width: number;
  readonly height: number;
  /** The picture's row that the band begins with. */
  readonly top: number;
  /** `rings[i]` fills `levels[i]` without `levels[i + 1]`. */
  readonly rings: readonly Ring[];
  readonly levels: readonly Float32Array[];
  /** For each ring the coats of its borders, where they are not the same all round. */
  readonly coats: readonly (readonly Coat[] | null)[];
  /** How much of each pixel the photo covers where its edge is soft; null where the rings say it. */
  readonly feather: Float32Array | null;
  readonly others: Others;
};

/** The first pixel from `i` on, before `end`, of which any shows the ring between two levels; else `end`. */
function ringFrom(outer: Float32Array, inner: Float32Array | undefined, i: number, end: number): number {
  let k = sameUntil(outer, 0, i, end);
  if (inner) while (k < end && (outer[k] === 0 || inner[k] === 1)) k++;
  return k;
}

/** The first one of which none does. */
function ringUntil(outer: Float32Array, inner: Float32Array | undefined, i: number, end: number): number {
  const last = otherUntil(outer, 0, i, end);
  return inner ? otherUntil(inner, 1, i, last) : last;
}

export type CutoutReader = {
  /** Makes row `y` of the band ready. */
  readonly row: (y: number) => void;
  /**
   * Writes what the cutout shows of pixel `i` of the band, which is of the row made ready.
   *
   * @returns the share that it leaves to what lies behind
   */
  readonly at: (i: number, out: Float64Array) => number;
  /** Whether a pixel wholly within the innermost level is pure photo. */
  readonly isPhoto: (i: number) => boolean;
};

export function cutoutReader({ width, top, rings, levels, coats, feather, others }: Cutout): CutoutReader {
  const channels = channelsFor(others);
  const lay = coatLayer(width, channels);
  const over = new Float64Array(rings.length * channels);
  rings.forEach((ring, level) => over.set(ring.over, level * channels));
  const hasPhoto = Uint8Array.from(rings, ({ photo }) => (photo ? 1 : 0));
  const rows = coats.map((coat) => coat && new Float32Array(width * channels));
  const outermost = levels[0]!;
  // Where nothing at all lies on the photo, that is asked of nobody pixel by pixel.
  const last = rings.length - 1;
  const innermost = hasPhoto[last] === 1 ? rows[last]! : null;
  let rowStart = 0;
  /** What of `beneath` a soft photo covers. */
  const feathered = (i: number, beneath: number, out: Float64Array): number => {
    if (!feather) return beneath;
    out[PHOTO] = beneath * feather[i]!;
    return beneath - out[PHOTO];
  };
  /** A pixel that lies in one ring alone. */
  const whole = (level: number, i: number, out: Float64Array): number => {
    const row = rows[level];
    const colours = row ?? over;
    const from = (row ? i - rowStart : level) * channels;
    for (let c = 0; c < channels; c++) out[c] = colours[from + c]!;
    const rest = 1 - colours[from + ALPHA]!;
    if (feather || hasPhoto[level] !== 1) return feathered(i, rest, out);
    out[PHOTO]! += rest;
    return 0;
  };
  return {
    row: (y) => {
      rowStart = y * width;
      rows.forEach((row, level) => {
        if (!row) return;
        const [outer, inner] = [levels[level]!, levels[level + 1]];
        for (let x = 0; x < width;) {
          const from = ringFrom(outer, inner, rowStart + x, rowStart + width) - rowStart;
          if (from === width) break;
          x = ringUntil(outer, inner, rowStart + from, rowStart + width) - rowStart;
          const part = row.subarray(from * channels, x * channels).fill(0);
          for (const coat of coats[level]!) lay(coat, from, top + y, x - from, part);
        }
      });
    },
    isPhoto: (i) => innermost !== null && innermost[(i - rowStart) * channels + ALPHA] === 0,
    at: (i, out) => {
      let outer = outermost[i]!;
      let level = 0;
      if (outer === 1) {
        while (level < last && levels[level + 1]![i] === 1) level++;
        // Most pixels lie in one ring alone.
        if (level === last || levels[level + 1]![i] === 0) return whole(level, i, out);
      }
      for (let c = 0; c < channels; c++) out[c] = 0;
      // Split the pixel's area between the rings; what no ring covers shows what lies beneath.
      let beneath = 1 - outermost[i]!;
      for (; outer > 0 && level < hasPhoto.length; level++) {
        const inner = level < last ? Math.min(levels[level + 1]![i]!, outer) : 0;
        const area = outer - inner;
        outer = inner;
        if (area <= 0) continue;
        const row = rows[level];
        const colours = row ?? over;
        const from = (row ? i - rowStart : level) * channels;
        const rest = area * (1 - colours[from + ALPHA]!);
        for (let c = 0; c < channels; c++) out[c]! += area * colours[from + c]!;
        if (feather || hasPhoto[level] !== 1) beneath += rest;
        else out[PHOTO]! += rest;
      }
      return feathered(i, beneath, out);
    },
  };
}
