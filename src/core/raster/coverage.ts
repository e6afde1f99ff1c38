/** Exact area coverage of polygons over a pixel grid. */
import type { Polygon } from '../shape';
import { newRoom, type Room } from './room';

/** A rectangle of pixels: its left top corner and its size, all whole numbers. */
export type PixelWindow = {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
};

/** A side lower than this adds no visible area, and its slope would overflow. */
const FLAT = 1e-12;

type Edge = {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  readonly direction: 1 | -1;
};

/** Visits the sides with some height, top end first, in the window's own coordinates. */
function eachEdge(
  polygons: readonly Polygon[],
  { left, top }: PixelWindow,
  visit: (x0: number, y0: number, x1: number, y1: number, direction: 1 | -1) => void,
): void {
  for (const polygon of polygons)
    for (let i = 0; i < polygon.length; i++) {
      const a = polygon[i]!;
      const b = polygon[i + 1 === polygon.length ? 0 : i + 1]!;
      if (Math.abs(b[1] - a[1]) < FLAT) continue;
      const isDown = a[1] < b[1];
      const upper = isDown ? a : b;
      const lower = isDown ? b : a;
      visit(upper[0] - left, upper[1] - top, lower[0] - left, lower[1] - top, isDown ? 1 : -1);
    }
}

/** Sorted by their top. */
function edgesOf(polygons: readonly Polygon[], window: PixelWindow): Edge[] {
  const edges: Edge[] = [];
  eachEdge(polygons, window, (x0, y0, x1, y1, direction) => edges.push({ x0, y0, x1, y1, direction }));
  return edges.sort((a, b) => a.y0 - b.y0);
}

/**
 * Adds to `row` the signed area to the right of a piece that stays within one pixel
 * row, as differences: the running sum of `row` is then the coverage. `height` is the
 * piece's signed share of the row, xa and xb its ends, both within 0…width.
 */
function addPiece(row: Float64Array, xa: number, xb: number, height: number): void {
  const from = Math.min(xa, xb);
  const to = Math.max(xa, xb);
  const first = Math.floor(from);
  const last = Math.max(Math.ceil(to), first + 1);
  if (last === first + 1) {
    const inPixel = height * ((from + to) / 2 - first);
    row[first]! += height - inPixel;
    row[first + 1]! += inPixel;
    return;
  }
  // Area to the right of the piece in each pixel it passes: integral of a ramp.
  const slope = 1 / (to - from);
  let before = 0;
  for (let x = first; x < last; x++) {
    const a = Math.max(from, x);
    const b = Math.min(to, x + 1);
    const share = (b - a) * slope;
    const within = share * (x + 1 - (a + b) / 2);
    row[x]! += height * (within + before);
    // The part of this piece that is not yet counted in this pixel belongs to the next.
    before = share - within;
  }
  row[last]! += height * before;
}

const crosses = (xa: number, xb: number, limit: number): boolean =>
  xa < limit !== xb < limit && xa !== limit && xb !== limit;

/** Like `addPiece` for ends anywhere: left of the window counts in full, right of it not at all. */
function addClipped(row: Float64Array, width: number, xa: number, xb: number, height: number): void {
  if (crosses(xa, xb, 0) || crosses(xa, xb, width)) {
    const limit = crosses(xa, xb, 0) ? 0 : width;
    const t = (limit - xa) / (xb - xa);
    addClipped(row, width, xa, limit, height * t);
    addClipped(row, width, limit, xb, height * (1 - t));
    return;
  }
  if (xa <= 0 && xb <= 0) row[0]! += height;
  else if (xa < width || xb < width) addPiece(row, xa, xb, height);
}

/** The stretches of a row in which its running sum changes, from the left. */
type Stretches = { readonly from: number[]; readonly to: number[]; count: number };

/** Notes that the sum changes somewhere in the pixels that a piece between `xa` and `xb` touches. */
function note(stretches: Stretches, xa: number, xb: number, width: number): void {
  const { from, to } = stretches;
  const begin = Math.max(0, Math.min(Math.floor(Math.min(xa, xb)), width));
  // All that lies left of the window counts in its first pixel.
  const end = Math.min(Math.max(1, Math.ceil(Math.max(xa, xb)) + 1), width);
  let k = stretches.count++;
  for (; k > 0 && from[k - 1]! > begin; k--) {
    from[k] = from[k - 1]!;
    to[k] = to[k - 1]!;
  }
  from[k] = begin;
  to[k] = end;
}

/** Rows of a window that polygons touch, as differences: `row`'s running sum is the coverage, and it changes in the stretches alone. */
type RowWork = (y: number, row: Float64Array, stretches: Stretches) => void;

/** Pixels to a corner below which a window is crowded. */
const CROWDED = 4;

/** The same where there are about as many sides as pixels, as of small letters: no side waits for its row. */
function eachCrowdedRow(polygons: readonly Polygon[], window: PixelWindow, work: RowWork): void {
  const { width, height } = window;
  const rows = Array.from({ length: height }, () => new Float64Array(width + 2));
  eachEdge(polygons, window, (x0, y0, x1, y1, direction) => {
    const slope = (x1 - x0) / (y1 - y0);
    for (let y = Math.max(0, Math.floor(y0)); y < height && y < y1; y++) {
      const top = Math.max(y0, y);
      const bottom = Math.min(y1, y + 1);
      addClipped(rows[y]!, width, x0 + (top - y0) * slope, x0 + (bottom - y0) * slope, (bottom - top) * direction);
    }
  });
  const whole = { from: [0], to: [width], count: 1 };
  rows.forEach((row, y) => work(y, row, whole));
}

function eachRow(polygons: readonly Polygon[], window: PixelWindow, work: RowWork): void {
  const { width, height } = window;
  const corners = polygons.reduce((sum, { length }) => sum + length, 0);
  if (width * height < corners * CROWDED) return eachCrowdedRow(polygons, window, work);
  const edges = edgesOf(polygons, window);
  const row = new Float64Array(width + 2);
  const stretches: Stretches = { from: [], to: [], count: 0 };
  let active: Edge[] = [];
  let next = 0;
  for (let y = 0; y < height; y++) {
    while (next < edges.length && edges[next]!.y0 < y + 1) active.push(edges[next++]!);
    if (active.length === 0) continue;
    active = active.filter((edge) => edge.y1 > y);
    stretches.count = 0;
    for (const { x0, y0, x1, y1, direction } of active) {
      const top = Math.max(y0, y);
      const bottom = Math.min(y1, y + 1);
      if (bottom <= top) continue;
      const slope = (x1 - x0) / (y1 - y0);
      const xa = x0 + (top - y0) * slope;
      const xb = x0 + (bottom - y0) * slope;
      addClipped(row, width, xa, xb, (bottom - top) * direction);
      note(stretches, xa, xb, width);
    }
    work(y, row, stretches);
  }
}

/**
 * Share of each pixel that the polygons cover, row by row, 0…1.
 *
 * @param polygons in pixels; contours that don't overlap, holes turning the other way
 * @param window the pixels wanted
 */
export function coverage(polygons: readonly Polygon[], window: PixelWindow, room: Room = newRoom): Float32Array {
  const { width, height } = window;
  const out = room(width * height);
  eachRow(polygons, window, (y, row, stretches) => fillRow(out, y * width, width, row, stretches, null));
  return out;
}

/**
 * The same row by row, for what needs no more than one at a time.
 *
 * @param visit is told the row, its shares, and where in it stretches that are not 0 begin and end; none of it holds
 *   until the next row
 */
export function coverageRows(
  polygons: readonly Polygon[],
  window: PixelWindow,
  visit: (y: number, covers: Float32Array, spans: readonly number[]) => void,
): void {
  const covers = new Float32Array(window.width);
  const spans: number[] = [];
  eachRow(polygons, window, (y, row, stretches) => {
    spans.length = 0;
    fillRow(covers, 0, window.width, row, stretches, spans);
    if (spans.length > 0) visit(y, covers, spans);
    for (let k = 0; k < spans.length; k += 2) covers.fill(0, spans[k], spans[k + 1]);
  });
}

/** For each row of a window where stretches of it that matter begin and end, from the left. */
export type Spans = readonly (readonly number[])[];

const NOTHING: readonly number[] = [];

/** The stretches of a window that polygons touch. */
export function coveredSpans(polygons: readonly Polygon[], window: PixelWindow): Spans {
  const all = Array<readonly number[]>(window.height).fill(NOTHING);
  coverageRows(polygons, window, (y, _, spans) => (all[y] = [...spans]));
  return all;
}

const SHORT = 12;

/** Writes one share into a stretch of a row, which is added to the row's spans. */
function fillStretch(out: Float32Array, share: number, begun: number, end: number, spans: number[] | null): void {
  // A call takes as long as some pixels, and most stretches are one.
  if (end - begun > SHORT) out.fill(share, begun, end);
  else for (let x = begun; x < end; x++) out[x] = share;
  if (!spans || begun === end) return;
  if (spans.length > 0 && spans[spans.length - 1] === begun) spans[spans.length - 1] = end;
  else spans.push(begun, end);
}

/** A row of shares out of what its pieces add to the running sum, which is taken back to nothing. */
function fillRow(
  out: Float32Array,
  start: number,
  width: number,
  row: Float64Array,
  { from, to, count }: Stretches,
  spans: number[] | null,
): void {
  let sum = 0;
  let share = 0;
  let begun = start;
  let x = 0;
  for (let k = 0; k < count; k++) {
    // Most pixels are like the one before: only where there are edges the sum changes.
    for (x = Math.max(x, from[k]!); x < to[k]!; x++) {
      const change = row[x]!;
      if (change === 0) continue;
      row[x] = 0;
      if (share !== 0) fillStretch(out, share, begun, start + x, spans);
      begun = start + x;
      sum += change;
      share = Math.abs(sum);
      share = share > 1 ? 1 : share < 1e-9 ? 0 : share;
    }
  }
  if (share !== 0) fillStretch(out, share, begun, start + width, spans);
  // What is added right of the window is never asked for.
  row[width] = row[width + 1] = 0;
}
