/** The band that echoes are drawn from. */
import type { Border } from '../layers';
import { fillPaint, fillPlaces } from '../paint';
import type { PixelWindow } from '../raster';
import { boundsOf } from '../shape';
import { bandMaker, bandOf, type Band, type BandScene } from './band';

/** What echoes go by: the shape's middle in pixels, and the same scene so many times as large. */
export type EchoScene = BandScene & {
  readonly middle: readonly [x: number, y: number];
  readonly at: (times: number) => BandScene;
};

/** Pixels of the band that copies are drawn from, at most: larger ones are drawn from a smaller one. */
const MOST = 4_000_000;

/** A band with all that its copies are drawn from: premultiplied colours, and slopes; numbers 0…1 but for slopes. */
export type Source = { readonly window: PixelWindow; readonly times: number; readonly values: Float32Array };

/** Red, green, blue, alpha, the slopes to the right and downwards. */
export const CHANNELS = 6;

/** @param seen what is drawn of the picture now: of a band that lies in it nothing is worked out twice */
export function sourceOf(border: Border, scene: EchoScene, seen: PixelWindow): Source | null {
  const bounds = boundsOf(bandOf(border, scene));
  if (!bounds) return null;
  const size = (bounds[2] - bounds[0]) * (bounds[3] - bounds[1]);
  const times = Math.min(1, Math.sqrt(MOST / Math.max(size, 1)));
  const [left, top] = [Math.floor(bounds[0] * times) - 2, Math.floor(bounds[1] * times) - 2];
  const window = {
    left,
    top,
    width: Math.ceil(bounds[2] * times) + 2 - left,
    height: Math.ceil(bounds[3] * times) + 2 - top,
  };
  const make = bandMaker(border, times === 1 ? scene : scene.at(times));
  return { window, times, values: valuesOf(make(times === 1 && holds(seen, window) ? seen : window), window) };
}

const holds = (outer: PixelWindow, inner: PixelWindow): boolean =>
  inner.left >= outer.left &&
  inner.top >= outer.top &&
  inner.left + inner.width <= outer.left + outer.width &&
  inner.top + inner.height <= outer.top + outer.height;

/** The part of a band that lies in a window within its own. */
function valuesOf({ window: all, paint, dash, stands }: Band, { left, top, width, height }: PixelWindow): Float32Array {
  const values = new Float32Array(width * height * CHANNELS);
  const [scratch, at, covers] = [new Float32Array(width), new Int32Array(width), new Float32Array(width).fill(1)];
  /** The paint of `n` pixels of a row. */
  const paintRow = (x: number, y: number, n: number) => {
    fillPaint(paint, left + x, top + y, n, scratch, at);
    if (dash) fillPlaces(dash, left + x, top + y, n, covers);
    for (let i = 0, k = (y * width + x) * CHANNELS; i < n; i++, k += CHANNELS) {
      const p = at[i]!;
      const alpha = paint.ramp[p + 3]! * covers[i]!;
      for (let c = 0; c < 3; c++) values[k + c] = paint.ramp[p + c]! * alpha;
      values[k + 3] = alpha;
    }
  };
  if (!stands) {
    for (let y = 0; y < height; y++) paintRow(0, y, width);
    return values;
  }
  // What stands out is known only where the band is: in stretches of rows.
  const { places, slopes } = stands;
  for (let i = 0; i < places.length;) {
    const first = i;
    const y = Math.floor(places[i]! / all.width);
    const end = (y + 1) * all.width;
    while (i < places.length && places[i] === places[first]! + i - first && places[i]! < end) i++;
    const row = y + all.top - top;
    const column = places[first]! - y * all.width + all.left - left;
    const [from, to] = [Math.max(0, column), Math.min(width, column + i - first)];
    if (row < 0 || row >= height || to <= from) continue;
    paintRow(from, row, to - from);
    for (let x = from, k = (row * width + from) * CHANNELS; x < to; x++, k += CHANNELS) {
      values[k + 4] = slopes.right[first + x - column]!;
      values[k + 5] = slopes.down[first + x - column]!;
    }
  }
  return values;
}

/**
 * What lies at places between pixels, straight between their middles: `n` of them, the first at (x, y) and each
 * (dx, dy) further on.
 */
export function sampleLine(
  { window, values }: Source,
  n: number,
  [x, y, dx, dy]: readonly [number, number, number, number],
  out: Float64Array,
): void {
  const { left, top, width, height } = window;
  for (let i = 0, o = 0; i < n; i++, o += CHANNELS) {
    const u = Math.min(Math.max(x + dx * i - left - 0.5, 0), width - 1.001);
    const v = Math.min(Math.max(y + dy * i - top - 0.5, 0), height - 1.001);
    const x0 = Math.floor(u);
    const y0 = Math.floor(v);
    const fx = u - x0;
    const fy = v - y0;
    const k = (y0 * width + x0) * CHANNELS;
    const below = k + width * CHANNELS;
    for (let c = 0; c < CHANNELS; c++) {
      const above = values[k + c]! + (values[k + CHANNELS + c]! - values[k + c]!) * fx;
      const under = values[below + c]! + (values[below + CHANNELS + c]! - values[below + c]!) * fx;
      out[o + c] = above + (under - above) * fy;
    }
  }
}
