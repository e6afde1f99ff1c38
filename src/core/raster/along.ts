/** Places along an outline, and dashes by them. */
import { fromTop, polygonArea, type Polygon } from '../shape';
import { coveredSpans, type PixelWindow, type Spans } from './coverage';
import { sidesOf } from './distance';

/** Clockwise, from its topmost point on. */
const laidOut = (polygon: Polygon): Polygon => fromTop(polygonArea(polygon) < 0 ? [...polygon].reverse() : polygon);

/** What values are asked along, in pixels. */
export type Line = {
  readonly outline: readonly Polygon[];
  /** How far from it they are asked for. */
  readonly reach: number;
  /** Nothing else is asked for; a band along the outline that holds the way from each of its places to the outline. */
  readonly within?: readonly Polygon[];
};

/** For each side where on its outline it begins, how long it is, and how long the whole outline. */
export function lengthsOf(polygons: readonly Polygon[]) {
  const begins: number[] = [];
  const long: number[] = [];
  const whole: number[] = [];
  for (const polygon of polygons) {
    let total = 0;
    for (let i = 0; i < polygon.length; i++) {
      const a = polygon[i]!;
      const b = polygon[i + 1 === polygon.length ? 0 : i + 1]!;
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
      begins.push(total);
      long.push(length);
      total += length;
    }
    for (let i = 0; i < polygon.length; i++) whole.push(total);
  }
  return { begins, long, whole };
}

/** Sides by squares of the picture: those that come within reach of each. */
function sidesBySquare(sides: Float64Array, reach: number, { left, top, width, height }: PixelWindow) {
  const square = Math.max(8, Math.ceil(reach));
  const [columns, rows] = [Math.ceil(width / square), Math.ceil(height / square)];
  const lists: number[][] = Array.from({ length: columns * rows }, () => []);
  const first = (a: number, b: number, from: number) => Math.max(0, Math.floor((Math.min(a, b) - reach - from) / square)); // prettier-ignore
  const last = (a: number, b: number, from: number, many: number) =>
    Math.min(many - 1, Math.floor((Math.max(a, b) + reach - from) / square));
  for (let side = 0, k = 0; k < sides.length; side++, k += 4) {
    const x0 = first(sides[k]!, sides[k + 2]!, left);
    const x1 = last(sides[k]!, sides[k + 2]!, left, columns);
    const y0 = first(sides[k + 1]!, sides[k + 3]!, top);
    const y1 = last(sides[k + 1]!, sides[k + 3]!, top, rows);
    for (let y = y0; y <= y1; y++) for (let x = x0; x <= x1; x++) lists[y * columns + x]!.push(side);
  }
  return { square, columns, lists };
}

/** The nearest of some sides, its squared distance and how far along it the nearest point lies. */
type Found = { side: number; squared: number; share: number };

function findNearest(sides: Float64Array, some: readonly number[], x: number, y: number, found: Found): void {
  found.side = -1;
  found.squared = Infinity;
  for (let n = 0; n < some.length; n++) {
    const side = some[n]!;
    const k = side * 4;
    const ax = sides[k]! - x;
    const ay = sides[k + 1]! - y;
    const dx = sides[k + 2]! - sides[k]!;
    const dy = sides[k + 3]! - sides[k + 1]!;
    const long = dx * dx + dy * dy;
    let t = long > 0 ? -(ax * dx + ay * dy) / long : 0;
    t = t < 0 ? 0 : t > 1 ? 1 : t;
    const ex = ax + dx * t;
    const ey = ay + dy * t;
    const d = ex * ex + ey * ey;
    if (d >= found.squared) continue;
    found.side = side;
    found.squared = d;
    found.share = t;
  }
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
  const { square, columns, lists } = sidesBySquare(sides, reach, window);
  const found: Found = { side: -1, squared: Infinity, share: 0 };
  const { left, top, width, height } = window;
  const out = new Uint16Array(width * height);
  const asked = within ? coveredSpans(within, window) : Array<Spans[number]>(height).fill([0, width]);
  asked.forEach((spans, y) => {
    const row = Math.floor(y / square) * columns;
    for (let n = 0; n < spans.length; n += 2)
      for (let x = spans[n]!, end = x; x < spans[n + 1]!; x = end) {
        const column = Math.floor(x / square);
        end = Math.min(spans[n + 1]!, (column + 1) * square);
        const some = lists[row + column]!;
        if (some.length === 0) continue;
        for (; x < end; x++) {
          findNearest(sides, some, left + x + 0.5, top + y + 0.5, found);
          const away = Math.sqrt(found.squared);
          if (found.side < 0 || away > reach) continue;
          const k = found.side;
          const v = valueAt(begins[k]! + long[k]! * found.share, whole[k]!, away);
          out[y * width + x] = v <= 0 ? 0 : v >= 1 ? 65535 : v * 65535 + 0.5;
        }
      }
  });
  return out;
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

/** How long a turn of the pattern is on an outline of this length. */
const turnOn = (whole: number, period: number, fit: boolean): number =>
  fit ? whole / Math.max(1, Math.round(whole / period)) : period;

/** A stretch of a closed line, `places` being where its corners lie along it: the corners within and both ends, with the line's direction at each. */
function stretchOf(way: Polygon, places: readonly number[], whole: number, [from, to]: Dash) {
  const at = (t: number) => {
    let k = places.findIndex((place) => place > t) - 1;
    if (k < 0) k = way.length - 1;
    const [[ax, ay], [bx, by]] = [way[k]!, way[(k + 1) % way.length]!];
    const long = Math.hypot(bx - ax, by - ay) || 1;
    const share = Math.min(1, (t - places[k]!) / long);
    return { x: ax + (bx - ax) * share, y: ay + (by - ay) * share, dx: (bx - ax) / long, dy: (by - ay) / long };
  };
  const inner = places.filter((place) => place > from && place < to);
  return [from, ...inner, Math.min(to, whole - 1e-9)].map((t) => at(Math.max(0, Math.min(t, whole - 1e-9))));
}

/** Half a circle of corners around a line's end. */
const cap = (x: number, y: number, angle: number, r: number): Polygon =>
  Array.from({ length: 13 }, (_, i) => {
    const turn = angle + (Math.PI * i) / 12;
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)] as const;
  });

/** More dashes than this are as good as a whole line: each would be smaller than can be told apart. */
const MOST_DASHES = 2000;

/** The dashes along outlines as polygons, for what has to know them whole: a shadow that they throw. Null where there are too many. */
export function dashPolygons(
  outline: readonly Polygon[],
  { lengths, cap: ends, fit, width }: Dashes,
): Polygon[] | null {
  const { dashes, period } = dashesOf(lengths);
  const all = outline.flatMap((polygon) => lengthsOf([polygon]).whole[0] ?? 0).reduce((sum, whole) => sum + whole, 0);
  if (all * dashes.length > MOST_DASHES * period) return null;
  return outline
    .filter((polygon) => polygon.length > 2)
    .flatMap((polygon) => {
      const way = laidOut(polygon);
      const {
        begins: places,
        whole: [whole = 0],
      } = lengthsOf([way]);
      if (period <= 0 || whole === 0) return [];
      const turn = turnOn(whole, period, fit);
      const r = width / 2;
      const all = Array.from({ length: Math.ceil(whole / turn - 1e-9) }, (_, k) =>
        dashes.map(([from, to]): Dash => [k * turn + (from * turn) / period, k * turn + (to * turn) / period]),
      ).flat();
      return all
        .filter(([from]) => from < whole)
        .map((dash): Polygon => {
          const line = stretchOf(way, places, whole, dash);
          const [first, last] = [line[0]!, line[line.length - 1]!];
          const side = (sign: number) =>
            line.map(({ x, y, dx, dy }) => [x - sign * r * dy, y + sign * r * dx] as const);
          if (ends === 'butt') return [...side(-1), ...side(1).reverse()];
          const angle = ({ dx, dy }: typeof first) => Math.atan2(dy, dx);
          return [
            ...side(-1),
            ...cap(last.x, last.y, angle(last) - Math.PI / 2, r),
            ...side(1).reverse(),
            ...cap(first.x, first.y, angle(first) + Math.PI / 2, r),
          ];
        });
    });
}

const clamp = (v: number) => (v < 0 ? 0 : v > 1 ? 1 : v);

/** A turn of the pattern that is shorter, in pixels, covers each of them by its share. */
const FINEST = 1 / 16;

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
  if (period < FINEST) {
    const share = dashes.reduce((sum, [from, to]) => sum + (to - from) / period, 0);
    return fieldAlong(line, window, (_, __, away) => Math.max(share, cap === 'round' ? clamp(width / 2 - away + 0.5) : 0)); // prettier-ignore
  }
  return fieldAlong(line, window, (at, whole, away) => {
    const turn = turnOn(whole, period, fit);
    const stretch = turn / period;
    let flat = 0;
    let caps = 0;
    // The turns that the pixel lies in, and those beside them, which may reach into the pixel.
    const last = Math.floor((at + 0.5) / turn) + 1;
    for (let k = Math.floor((at - 0.5) / turn) - 1; k <= last; k++)
      for (const dash of dashes) {
        const begin = k * turn + dash[0] * stretch;
        const end = k * turn + dash[1] * stretch;
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
