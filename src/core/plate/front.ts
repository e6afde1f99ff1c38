/** What lies before everything: pictures and paints over the finished cutout, and holes through it. */
import { coatLayer, type Coat } from './coat';
import { ALPHA, channelsFor, type Others } from './pixel';

/** A row of it. */
export type FrontRow = {
  /** Pixels in the making. */
  readonly over: Float32Array;
  /** What is left of all below, 0…1. */
  readonly keep: Float32Array;
};

/** True of a picture's row that has nothing in it. */
function isBareRow({ pixels }: Coat, y: number): boolean {
  if (!pixels) return false;
  const { window, data } = pixels;
  const from = (y - window.top) * window.width * 4;
  for (let k = from + 3; k < from + window.width * 4; k += 4) if (data[k] !== 0) return false;
  return true;
}

/** Rows of it; null where a row has none. The answer holds until the next call. */
export function frontRows(coats: readonly Coat[], width: number, others: Others): (y: number) => FrontRow | null {
  if (coats.length === 0) return () => null;
  const channels = channelsFor(others);
  const lay = coatLayer(width, channels);
  const over = new Float32Array(width * channels);
  const [keep, one] = [new Float32Array(width), new Float32Array(width * channels)];
  return (y) => {
    over.fill(0);
    keep.fill(1);
    let isThere = false;
    for (const coat of coats) {
      if (isBareRow(coat, y)) continue;
      // Of each layer by itself only how much it covers is asked: what is below keeps the rest.
      one.fill(0);
      lay(coat, 0, y, width, one);
      isThere = layBefore(over, keep, one, channels, coat.isHole ?? false) || isThere;
    }
    return isThere ? { over, keep } : null;
  };
}

/** Lays one more row before what is there; whether it has anything in it. */
function layBefore(
  over: Float32Array,
  keep: Float32Array,
  one: Float32Array,
  channels: number,
  isHole: boolean,
): boolean {
  let isThere = false;
  for (let x = 0, q = 0; x < keep.length; x++, q += channels) {
    const alpha = one[q + ALPHA]!;
    if (alpha === 0) continue;
    isThere = true;
    const rest = 1 - alpha;
    keep[x]! *= rest;
    for (let c = q; c < q + channels; c++) over[c] = over[c]! * rest + (isHole ? 0 : one[c]!);
  }
  return isThere;
}
