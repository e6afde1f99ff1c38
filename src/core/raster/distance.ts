/** Which side of an outline each pixel is nearest to, and how far from it. */
import type { Polygon } from '../shape';
import { bandsOf, narrowBandsOf } from './bands';
import { fromCells } from './cells';
import { coverage, type PixelWindow, type Spans } from './coverage';
import { sameRoom } from './room';

/** x, y of both ends of every side, one after the other, polygon by polygon. */
export function sidesOf(polygons: readonly Polygon[]): Float64Array {
  const sides = new Float64Array(4 * polygons.reduce((sum, polygon) => sum + polygon.length, 0));
  let k = 0;
  for (const polygon of polygons)
    for (let i = 0; i < polygon.length; i++) {
      const a = polygon[i]!;
      const b = polygon[i + 1 === polygon.length ? 0 : i + 1]!;
      sides[k++] = a[0];
      sides[k++] = a[1];
      sides[k++] = b[0];
      sides[k++] = b[1];
    }
  return sides;
}

export type Nearest = {
  /** The side that is nearest to each pixel's middle; −1 where none lies near enough to the window. */
  readonly side: Int32Array;
  /** Squared distance from it, pixels; infinite where there is none. */
  readonly squared: Float32Array;
};

/** The stretches of each row that are not 0. */
const spansOf = (asked: Float32Array | Uint8Array, { width, height }: PixelWindow): Spans =>
  Array.from({ length: height }, (_, y) => spansIn(asked, y * width, width));

/** The stretches of one row, which begins at `start`, that are not 0. */
function spansIn(asked: Float32Array | Uint8Array, start: number, width: number): number[] {
  const spans: number[] = [];
  for (let x = 0; x < width;) {
    while (x < width && asked[start + x] === 0) x++;
    if (x === width) break;
    spans.push(x);
    while (x < width && asked[start + x] !== 0) x++;
    spans.push(x);
  }
  return spans;
}

/**
 * The nearest of all sides for each pixel. Which one it is is handed on from pixel to pixel,
 * forwards and backwards (Danielsson 1980, "Euclidean distance mapping"); the distance to it
 * is exact. Only sides that cross the window are known: it has to reach as far as they matter.
 *
 * @param spans nothing else is asked for
 */
export function nearestSides(sides: Float64Array, { left, top, width, height }: PixelWindow, spans: Spans): Nearest {
  const nearest = new Int32Array(width * height).fill(-1);
  const best = new Float32Array(width * height).fill(Infinity);
  const inverse = new Float64Array(sides.length / 4);
  for (let k = 0; k < inverse.length; k++) {
    const dx = sides[k * 4 + 2]! - sides[k * 4]!;
    const dy = sides[k * 4 + 3]! - sides[k * 4 + 1]!;
    inverse[k] = dx * dx + dy * dy > 0 ? 1 / (dx * dx + dy * dy) : 0;
  }
  /** Squared distance from a side. */
  const squared = (side: number, x: number, y: number): number => {
    const k = side * 4;
    const ax = sides[k]! - x;
    const ay = sides[k + 1]! - y;
    const dx = sides[k + 2]! - sides[k]!;
    const dy = sides[k + 3]! - sides[k + 1]!;
    let t = -(ax * dx + ay * dy) * inverse[side]!;
    t = t < 0 ? 0 : t > 1 ? 1 : t;
    const ex = ax + dx * t;
    const ey = ay + dy * t;
    return ex * ex + ey * ey;
  };
  // Every side begins with the pixels that it crosses, and those beside them.
  for (let side = 0; side < sides.length / 4; side++) {
    const k = side * 4;
    const ax = sides[k]! - left;
    const ay = sides[k + 1]! - top;
    const dx = sides[k + 2]! - left - ax;
    const dy = sides[k + 3]! - top - ay;
    if (Math.max(ay, ay + dy) < -1 || Math.min(ay, ay + dy) > height + 1) continue;
    const steps = Math.max(1, Math.ceil(2 * Math.hypot(dx, dy)));
    for (let s = 0; s <= steps; s++) {
      const px = Math.floor(ax + (dx * s) / steps);
      const py = Math.floor(ay + (dy * s) / steps);
      for (let y = Math.max(0, py - 1); y <= Math.min(height - 1, py + 1); y++)
        for (let x = Math.max(0, px - 1); x <= Math.min(width - 1, px + 1); x++) {
          const i = y * width + x;
          const d = squared(side, left + x + 0.5, top + y + 0.5);
          if (d >= best[i]!) continue;
          best[i] = d;
          nearest[i] = side;
        }
    }
  }
  /**
   * Along a stretch of a row a pixel takes what the one `beside` it has, and the three in the row `before` it
   * (0: there is none), wherever that is nearer. The distance is written out: handed from a function it would be boxed.
   */
  const handOn = (y: number, from: number, to: number, beside: -1 | 1, before: number) => {
    const py = top + y + 0.5;
    const last = before === 0 ? 1 : 4;
    for (let x = from; x !== to; x -= beside) {
      const i = y * width + x;
      const px = left + x + 0.5;
      let side = nearest[i]!;
      let d = best[i]!;
      for (let n = x + beside < 0 || x + beside >= width ? 1 : 0; n < last; n++) {
        if ((n === 1 && x === 0) || (n === 3 && x === width - 1)) continue;
        const other = nearest[n === 0 ? i + beside : i + before + n - 2]!;
        if (other < 0 || other === side) continue;
        const k = other * 4;
        const ax = sides[k]! - px;
        const ay = sides[k + 1]! - py;
        const dx = sides[k + 2]! - sides[k]!;
        const dy = sides[k + 3]! - sides[k + 1]!;
        const raw = -(ax * dx + ay * dy) * inverse[other]!;
        const t = raw < 0 ? 0 : raw > 1 ? 1 : raw;
        const ex = ax + dx * t;
        const ey = ay + dy * t;
        const far = ex * ex + ey * ey;
        if (far >= d) continue;
        d = far;
        side = other;
      }
      nearest[i] = side;
      best[i] = d;
    }
  };
  for (const way of [1, -1])
    for (let row = 0; row < height; row++) {
      const y = way > 0 ? row : height - 1 - row;
      const own = spans[y]!;
      for (let s = 0; s < own.length; s += 2) handOn(y, own[s]!, own[s + 1]!, -1, row === 0 ? 0 : -way * width);
      // And back: the row before counts once.
      for (let s = own.length - 2; s >= 0; s -= 2) handOn(y, own[s + 1]! - 1, own[s]! - 1, 1, 0);
    }
  return { side: nearest, squared: best };
}

/** So many values 0…1 as 0…65535. */
function inSixteenBits(values: Float32Array, from: number, many: number, out: Uint16Array, to: number): void {
  for (let i = 0; i < many; i++) {
    const v = values[from + i]!;
    out[to + i] = v <= 0 ? 0 : v >= 1 ? 65535 : v * 65535 + 0.5;
  }
}

/**
 * Values for a window, 0…65535 for 0…1, worked out band by band, each with so much around
 * it that everything within `reach` pixels is seen; 0 further from the sides than that.
 *
 * @param valuesOf for a window, row by row
 */
export function inBands(
  sides: Float64Array,
  window: PixelWindow,
  reach: number,
  valuesOf: (window: PixelWindow) => Float32Array,
): Uint16Array<ArrayBuffer> {
  const { left, top, width, height } = window;
  const out = new Uint16Array(width * height);
  const around = Math.ceil(reach) + 2;
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let k = 0; k < sides.length; k += 2) {
    x0 = Math.min(x0, sides[k]! - around);
    x1 = Math.max(x1, sides[k]! + around);
    y0 = Math.min(y0, sides[k + 1]! - around);
    y1 = Math.max(y1, sides[k + 1]! + around);
  }
  const [from, to] = [Math.max(left - around, Math.floor(x0)), Math.min(left + width + around, Math.ceil(x1))];
  for (const { top: band, height: rows } of bandsOf(window)) {
    const end = band + rows;
    const [above, below] = [Math.max(band - around, Math.floor(y0)), Math.min(end + around, Math.ceil(y1))];
    if (below <= above || to <= from) continue;
    const seen = { left: from, top: above, width: to - from, height: below - above };
    const values = valuesOf(seen);
    const first = Math.max(left, from);
    const many = Math.min(left + width, to) - first;
    for (let y = Math.max(band, above); y < Math.min(end, below); y++)
      inSixteenBits(values, (y - above) * seen.width + first - from, many, out, (y - top) * width + first - left);
  }
  return out;
}

/** Exact at every pixel. */
function fineDepth(polygons: readonly Polygon[], depth: number, window: PixelWindow): Uint16Array<ArrayBuffer> {
  const sides = sidesOf(polygons);
  return inBands(sides, window, depth, (seen) => {
    const inside = coverage(polygons, seen);
    // The way from a pixel to its nearest side leads through the inside alone.
    const { squared } = nearestSides(sides, seen, spansOf(inside, seen));
    for (let i = 0; i < squared.length; i++) squared[i] = inside[i]! >= 0.5 ? Math.sqrt(squared[i]!) / depth : 0;
    return squared;
  });
}

/** 1 where a pixel's middle lies within the polygons by the nonzero rule. */
function middlesWithin(sides: Float64Array, { left, top, width, height }: PixelWindow): Uint8Array {
  /** For each row where sides cross its middle, and which way they go. */
  const crossings: [x: number, way: number][][] = Array.from({ length: height }, () => []);
  for (let k = 0; k < sides.length; k += 4) {
    const ax = sides[k]!;
    const ay = sides[k + 1]!;
    const bx = sides[k + 2]!;
    const by = sides[k + 3]!;
    const low = Math.min(ay, by);
    const high = Math.max(ay, by);
    // A side holds its upper end and not its lower one, so that neighbours are crossed once.
    for (let y = Math.max(0, Math.ceil(low - top - 0.5)); y < height && top + y + 0.5 < high; y++)
      crossings[y]!.push([ax + ((top + y + 0.5 - ay) / (by - ay)) * (bx - ax), by > ay ? 1 : -1]);
  }
  const out = new Uint8Array(width * height);
  crossings.forEach((row, y) => {
    row.sort(([a], [b]) => a - b);
    let winding = 0;
    row.forEach(([x, way], i) => {
      winding += way;
      const end = row[i + 1]?.[0];
      if (winding === 0 || end === undefined) return;
      const first = Math.max(0, Math.ceil(x - left - 0.5));
      const last = Math.min(width, Math.ceil(end - left - 0.5));
      if (last > first) out.fill(1, y * width + first, y * width + last);
    });
  });
  return out;
}

/** Cells that a depth is worked out in: between them the distance runs straight but for ridges, where it is short by half a cell at most. */
const CELLS_A_DEPTH = 60;

/** In cells of so many pixels, with straight lines between them. */
function coarseDepth(polygons: readonly Polygon[], depth: number, window: PixelWindow, cell: number) {
  const rim = 1;
  const [columns, rows] = [Math.ceil(window.width / cell) + 2 * rim, Math.ceil(window.height / cell) + 2 * rim];
  const sides = sidesOf(polygons.map((p) => p.map(([x, y]) => [(x - window.left) / cell, (y - window.top) / cell])));
  const around = { left: -rim, top: -rim, width: columns, height: rows };
  // Distances outside count as negative, so that they run straight through the outline; −1…1 as 0…1.
  const signed = inBands(sides, around, depth / cell, (seen) => {
    const within = middlesWithin(sides, seen);
    // Of what lies outside only the cells beside the sides are needed, which every side begins with.
    const { squared } = nearestSides(sides, seen, spansOf(within, seen));
    for (let i = 0; i < squared.length; i++) {
      const share = (Math.sqrt(squared[i]!) * cell) / depth;
      squared[i] = 0.5 + (within[i] === 1 ? share : -share) / 2;
    }
    return squared;
  });
  const cells = new Float32Array(signed);
  const out = new Uint16Array(window.width * window.height);
  const room = sameRoom();
  for (const band of narrowBandsOf(window)) {
    const from = band.top - window.top;
    const values = fromCells({ cells, stride: columns, rim, cell }, window.width, from, band.height, null, room);
    withinAlone(values, out, from * window.width);
  }
  return out;
}

/** Signed distances −1…1 that are written as 0…65535: those within as 0…65535, from `start` on. */
function withinAlone(values: Float32Array, out: Uint16Array, start: number): void {
  for (let i = 0; i < values.length; i++) {
    const v = 2 * values[i]! - 65535;
    out[start + i] = v > 0 ? v : 0;
  }
}

/**
 * Distance of each pixel's middle from the nearest side as a share of `depth` pixels, 0…65535
 * for 0…1; 0 where the pixel lies outside of the polygons, 1 at that depth and further in.
 * Exact to a hundredth of the depth, and to a tenth of that away from ridges.
 *
 * @param polygons in pixels, filled by the nonzero rule
 */
export function depthField(polygons: readonly Polygon[], depth: number, window: PixelWindow): Uint16Array<ArrayBuffer> {
  const cell = Math.floor(depth / CELLS_A_DEPTH);
  return cell < 2 ? fineDepth(polygons, depth, window) : coarseDepth(polygons, depth, window, cell);
}
