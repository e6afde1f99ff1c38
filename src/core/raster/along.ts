/** Places along an outline, and dashes by them. */
import { polygonArea, type Polygon } from '../shape';
import { coverage, type PixelWindow } from './coverage';
import { inBands, nearestSides, shareAlong, sidesOf } from './distance';

/** Clockwise, from its topmost point on; of several as high the one furthest to the left. */
function laidOut(polygon: Polygon): Polygon {
  const way = polygonArea(polygon) < 0 ? [...polygon].reverse() : polygon;
  const first = way.reduce((best, [x, y], i) => {
    const [bx, by] = way[best]!;
    return y < by || (y === by && x < bx) ? i : best;
  }, 0);
  return [...way.slice(first), ...way.slice(0, first)];
}

/** What values are asked along, in pixels. */
export type Line = {
  readonly outline: readonly Polygon[];
  /** How far from it they are asked for. */
  readonly reach: number;
  /** Nothing else is asked for; a band along the outline that holds the way from each of its places to the outline. */
  readonly within?: readonly Polygon[];
};

/** For each side where on its outline it begins, how long it is, and how long the whole outline. */
function lengthsOf(polygons: readonly Polygon[]) {
  const [begins, long, whole]: number[][] = [[], [], []];
  for (const polygon of polygons) {
    const own = polygon.map(([x, y], i) => {
      const [bx, by] = polygon[(i + 1) % polygon.length]!;
      return Math.hypot(bx - x, by - y);
    });
    const total = own.reduce((sum, v) => sum + v, 0);
    let at = 0;
    for (const length of own) {
      begins!.push(at);
      long!.push(length);
      whole!.push(total);
      at += length;
    }
  }
  return { begins: begins!, long: long!, whole: whole! };
}

/**
 * A value for each pixel by where along the outline it lies: `at` and the outline's `whole`
 * length in pixels, and how far `away` from it; 0 where none lies within reach.
 */
function fieldAlong(
  { outline, reach, within }: Line,
  window: PixelWindow,
  valueAt: (at: number, whole: number, away: number) => number,
): Uint16Array<ArrayBuffer> {
  const polygons = outline.filter((polygon) => polygon.length > 2).map(laidOut);
  const sides = sidesOf(polygons);
  const { begins, long, whole } = lengthsOf(polygons);
  return inBands(sides, window, reach, (seen) => {
    const asked = within && coverage(within, seen);
    const { side, squared } = nearestSides(sides, seen, asked);
    const values = new Float32Array(side.length);
    for (let i = 0; i < values.length; i++) {
      const k = side[i]!;
      const away = Math.sqrt(squared[i]!);
      if (k < 0 || away > reach || (asked && asked[i] === 0)) continue;
      const [x, y] = [seen.left + (i % seen.width) + 0.5, seen.top + Math.floor(i / seen.width) + 0.5];
      values[i] = valueAt(begins[k]! + long[k]! * shareAlong(sides, k, x, y), whole[k]!, away);
    }
    return values;
  });
}

/** How far along the outline's length each pixel lies, 0…65535 for 0…1: from its topmost point, clockwise. */
export const alongField = (line: Line, window: PixelWindow): Uint16Array<ArrayBuffer> =>
  fieldAlong(line, window, (at, whole) => at / whole);

export type Dashes = {
  /** On, off, … in pixels; an odd number of them is taken twice, as in SVG 2 §13.5.6. */
  readonly lengths: readonly number[];
  readonly cap: 'butt' | 'round';
  /** Stretched or shrunk so that a whole number of them goes round. */
  readonly fit: boolean;
  /** Of the line, pixels. */
  readonly width: number;
};

type Dash = readonly [from: number, to: number];

/** Where dashes begin and end within one turn of the pattern. */
function dashesOf(lengths: readonly number[]): { readonly dashes: readonly Dash[]; readonly period: number } {
  const pattern = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  let at = 0;
  const dashes: Dash[] = [];
  for (let i = 0; i < pattern.length; i += 2) {
    dashes.push([at, at + pattern[i]!]);
    at += pattern[i]! + pattern[i + 1]!;
  }
  return { dashes, period: at };
}

const clamp = (v: number) => (v < 0 ? 0 : v > 1 ? 1 : v);

/**
 * How much of a line's width a dash covers at each pixel, 0…65535 for 0…1, along a line's
 * middle; exact where that runs straight.
 */
export function dashField(
  line: Line,
  { lengths, cap, fit, width }: Dashes,
  window: PixelWindow,
): Uint16Array<ArrayBuffer> {
  const { dashes, period } = dashesOf(lengths);
  if (period <= 0) return new Uint16Array(window.width * window.height).fill(65535);
  return fieldAlong(line, window, (at, whole, away) => {
    const turn = fit ? whole / Math.max(1, Math.round(whole / period)) : period;
    const stretch = turn / period;
    let [flat, caps] = [0, 0];
    // The turn that the pixel lies in, and those beside it, which may reach into the pixel.
    for (let k = Math.floor(at / turn) - 1; k <= Math.floor(at / turn) + 1; k++)
      for (const [from, to] of dashes) {
        const [begin, end] = [k * turn + from * stretch, k * turn + to * stretch];
        // Round the outline the end meets the beginning, unless the pattern just stops there.
        if (!fit && (begin >= whole || end < 0)) continue;
        // Dashes lie side by side: what they cover of a pixel adds up.
        flat += clamp(Math.min(at + 0.5, end) - Math.max(at - 0.5, begin));
        const beyond = Math.max(begin - at, at - end);
        if (cap === 'round' && beyond > 0) caps = Math.max(caps, clamp(width / 2 - Math.hypot(beyond, away) + 0.5));
      }
    return Math.max(flat, caps);
  });
}
