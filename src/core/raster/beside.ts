/** Where pixels lie beside an outline: how far along it, how far in from it, and which way that is. */
import { boundsOf, fromTop, thinned, type Polygon } from '../shape';
import { lengthsOf } from './along';
import { coveredSpans, type PixelWindow, type Spans } from './coverage';
import { nearestSides, sidesOf } from './distance';

/** For the pixels of a window that are asked for and near enough, row by row. */
export type Beside = {
  readonly window: PixelWindow;
  /** Each pixel's place in the window. */
  readonly places: Int32Array;
  /** Of the nearest place on the outline: how far it is from the outline's topmost point, clockwise, as a share of its length. */
  readonly along: Float32Array;
  /** How long that outline is, pixels. */
  readonly whole: Float32Array;
  /** Distance in from the outline, pixels; negative outside. */
  readonly away: Float32Array;
  /** Unit vector in which `away` grows. */
  readonly nx: Float32Array;
  readonly ny: Float32Array;
};

/** Sides that turn less than this into each other are pieces of one curve (its cosine). */
const CURVE = Math.cos((20 * Math.PI) / 180);

type Normals = {
  /** For each side the direction inwards. */
  readonly own: Float64Array;
  /** For each end of each side the direction inwards: of a curve the one between both sides, else the side's own. */
  readonly ends: Float64Array;
  /** For each end the sum of both sides' directions: what is in or out where a corner is nearest (Bærentzen & Aanæs 2005, "Signed distance computation using the angle weighted pseudonormal"). */
  readonly corners: Float64Array;
  /** For each end of each side half of how far a curve turns there, radians, clockwise positive; 0 at corners. */
  readonly turns: Float64Array;
};

function normalsOf(polygons: readonly Polygon[], sides: Float64Array): Normals {
  const own = new Float64Array(sides.length / 2);
  for (let k = 0; k < sides.length; k += 4) {
    const dx = sides[k + 2]! - sides[k]!;
    const dy = sides[k + 3]! - sides[k + 1]!;
    const long = Math.hypot(dx, dy) || 1;
    // Clockwise on a screen, the inside lies to the right of the way.
    own[k / 2] = -dy / long;
    own[k / 2 + 1] = dx / long;
  }
  const ends = new Float64Array(sides.length);
  const corners = new Float64Array(sides.length);
  const turns = new Float64Array(sides.length / 2);
  let first = 0;
  for (const { length } of polygons) {
    for (let i = 0; i < length; i++) {
      const side = first + i;
      const next = first + ((i + 1) % length);
      const ax = own[side * 2]!;
      const ay = own[side * 2 + 1]!;
      const bx = own[next * 2]!;
      const by = own[next * 2 + 1]!;
      corners[side * 4 + 2] = corners[next * 4] = ax + bx;
      corners[side * 4 + 3] = corners[next * 4 + 1] = ay + by;
      const isCurve = ax * bx + ay * by > CURVE;
      if (isCurve) turns[side * 2 + 1] = turns[next * 2] = Math.asin(ax * by - ay * bx) / 2;
      const long = isCurve ? Math.hypot(ax + bx, ay + by) : 1;
      ends[side * 4 + 2] = isCurve ? (ax + bx) / long : ax;
      ends[side * 4 + 3] = isCurve ? (ay + by) / long : ay;
      ends[next * 4] = isCurve ? (ax + bx) / long : bx;
      ends[next * 4 + 1] = isCurve ? (ay + by) / long : by;
    }
    first += length;
  }
  return { own, ends, corners, turns };
}

/** Pixels that are looked at together at most: what lies further from the outline than they reach is not known. */
const MOST = 48_000_000;

/** A window with so much around it, as far as there is an outline. */
function seenFrom({ left, top, width, height }: PixelWindow, polygons: readonly Polygon[], reach: number): PixelWindow {
  const both = width + height;
  const most = Math.max(2, Math.floor((Math.sqrt(both * both - 4 * (width * height - MOST)) - both) / 4));
  const around = Number.isNaN(most) ? 2 : Math.min(reach, most);
  const bounds = boundsOf(polygons) ?? [0, 0, 0, 0];
  const x0 = Math.max(left - around, Math.floor(bounds[0]) - around);
  const y0 = Math.max(top - around, Math.floor(bounds[1]) - around);
  const x1 = Math.min(left + width + around, Math.ceil(bounds[2]) + around);
  const y1 = Math.min(top + height + around, Math.ceil(bounds[3]) + around);
  return { left: x0, top: y0, width: Math.max(0, x1 - x0), height: Math.max(0, y1 - y0) };
}

/** Sides that are looked at one after the other for one that is nearer. */
const STEPS = 12;

/** Squared distance of the place `at` from a side; handed over in memory, since numbers are boxed on their way into a function. */
function squaredFrom(sides: Float64Array, side: number, at: Float64Array): number {
  const k = side * 4;
  const x = at[0]! - sides[k]!;
  const y = at[1]! - sides[k + 1]!;
  const dx = sides[k + 2]! - sides[k]!;
  const dy = sides[k + 3]! - sides[k + 1]!;
  const long = dx * dx + dy * dy;
  const raw = long > 0 ? (x * dx + y * dy) / long : 0;
  const t = raw < 0 ? 0 : raw > 1 ? 1 : raw;
  const ex = x - dx * t;
  const ey = y - dy * t;
  return ex * ex + ey * ey;
}

/** From a side to the nearest of those beside it: of several about as near, what is handed from pixel to pixel need not be the very nearest. */
function walker(polygons: readonly Polygon[], sides: Float64Array) {
  const before = new Int32Array(sides.length / 4);
  const after = new Int32Array(sides.length / 4);
  let first = 0;
  for (const { length } of polygons) {
    for (let i = 0; i < length; i++) {
      before[first + i] = first + ((i + length - 1) % length);
      after[first + i] = first + ((i + 1) % length);
    }
    first += length;
  }
  return (from: number, at: Float64Array): number => {
    let best = squaredFrom(sides, from, at);
    let side = from;
    for (let way = 0; way < 2; way++) {
      const next = way === 0 ? before : after;
      for (let i = 0; i < STEPS; i++) {
        const other = next[side]!;
        const d = squaredFrom(sides, other, at);
        if (d >= best) break;
        best = d;
        side = other;
      }
    }
    return side;
  };
}

/** The outline is followed within this, pixels: fewer sides are fewer to look at. */
const CLOSE = 0.004;

/** This near to the outline a direction is the side's rather than the one to its nearest place, pixels. */
const ON_IT = 1e-3;

/**
 * @param outline pixels, filled by the nonzero rule, contours turning clockwise and holes the other way
 * @param reach how far from it is asked at most, pixels
 * @param within nothing else is asked for; holds the way from each of its places to the outline
 */
export function besideOutline(
  outline: readonly Polygon[],
  reach: number,
  within: readonly Polygon[],
  window: PixelWindow,
): Beside {
  // As they turn, and from their topmost points.
  const polygons = thinned(outline.filter(({ length }) => length > 2).map(fromTop), CLOSE);
  const sides = sidesOf(polygons);
  const { own, ends, corners, turns } = normalsOf(polygons, sides);
  const { begins, long, whole: wholes } = lengthsOf(polygons);
  const seen = seenFrom(window, polygons, Math.ceil(reach) + 2);
  const spans = coveredSpans(within, seen);
  const { side: nearest } = nearestSides(sides, seen, spans);
  const nearer = walker(polygons, sides);
  const middle = new Float64Array(2);
  const places = placesIn(window, seen, spans, nearest);
  const [along, whole, away, nx, ny] = [0, 1, 2, 3, 4].map(() => new Float32Array(places.length)) as [Float32Array, Float32Array, Float32Array, Float32Array, Float32Array]; // prettier-ignore
  for (let i = 0; i < places.length; i++) {
    const y = Math.floor(places[i]! / window.width);
    const x = places[i]! - y * window.width;
    const found = nearest[(y + window.top - seen.top) * seen.width + x + window.left - seen.left]!;
    middle[0] = window.left + x + 0.5;
    middle[1] = window.top + y + 0.5;
    const side = nearer(found, middle);
    const k = side * 4;
    const dx = sides[k + 2]! - sides[k]!;
    const dy = sides[k + 3]! - sides[k + 1]!;
    const fromX = middle[0] - sides[k]!;
    const fromY = middle[1] - sides[k + 1]!;
    const squared = dx * dx + dy * dy;
    /** Where beside the side: 0 at its beginning, 1 at its end, below and beyond. */
    const raw = squared > 0 ? (fromX * dx + fromY * dy) / squared : 0;
    const t = raw < 0 ? 0 : raw > 1 ? 1 : raw;
    const ex = fromX - dx * t;
    const ey = fromY - dy * t;
    const far = Math.sqrt(ex * ex + ey * ey);
    const isBeyond = raw !== t && far > ON_IT;
    const end = k + 2 * t;
    const isIn = isBeyond
      ? corners[end]! * ex + corners[end + 1]! * ey >= 0
      : own[side * 2]! * ex + own[side * 2 + 1]! * ey >= 0;
    const h0 = turns[side * 2]!;
    const h1 = turns[side * 2 + 1]!;
    let vx: number;
    let vy: number;
    if (isBeyond && (t === 0 ? h0 : h1) === 0) {
      // At a corner everything fans out from it.
      vx = (isIn ? ex : -ex) / far;
      vy = (isIn ? ey : -ey) / far;
    } else {
      // On a curve the direction turns evenly from the middle of one corner's fan to that of the next one's.
      const out = isIn ? -far : far;
      const length = long[side]!;
      const across = own[side * 2]! * ey - own[side * 2 + 1]! * ex;
      const fan = isBeyond ? Math.abs(out * Math.asin(Math.min(1, Math.max(-1, across / far)))) : 0;
      const share = (out * h0 + t * length + (t === 0 ? -fan : fan)) / Math.max(out * (h0 + h1) + length, 1e-6);
      // Of the fan at a corner either side may have been found: half of it is the other one's.
      const room = isBeyond ? 1 : 0;
      const f = share < -room ? -room : share > 1 + room ? 1 + room : share;
      vx = ends[k]! * (1 - f) + ends[k + 2]! * f;
      vy = ends[k + 1]! * (1 - f) + ends[k + 3]! * f;
      const size = Math.sqrt(vx * vx + vy * vy) || 1;
      vx /= size;
      vy /= size;
    }
    const at = (begins[side]! + long[side]! * t) / wholes[side]!;
    along[i] = at;
    whole[i] = wholes[side]!;
    away[i] = isIn ? far : -far;
    nx[i] = vx;
    ny[i] = vy;
  }
  return { window, places, along, whole, away, nx, ny };
}

/** The pixels of a window within spans of what was looked at for which a side was found; all within them where none was looked for. */
function placesIn(window: PixelWindow, seen: PixelWindow, spans: Spans, nearest: Int32Array | null): Int32Array {
  const [right, down] = [seen.left - window.left, seen.top - window.top];
  /** Calls for each stretch of a row of the window. */
  const eachStretch = (work: (row: number, from: number, to: number) => void) =>
    spans.forEach((row, y) => {
      if (y + down < 0 || y + down >= window.height) return;
      for (let s = 0; s < row.length; s += 2)
        work(y, Math.max(row[s]!, -right), Math.min(row[s + 1]!, window.width - right));
    });
  let most = 0;
  eachStretch((_, from, to) => (most += Math.max(0, to - from)));
  const places = new Int32Array(most);
  let count = 0;
  eachStretch((y, from, to) => {
    const first = (y + down) * window.width + right;
    for (let x = from; x < to; x++) if (!nearest || nearest[y * seen.width + x]! >= 0) places[count++] = first + x;
  });
  return count === most ? places : places.slice(0, count);
}

/** The pixels of a window that polygons touch, row by row: each one's place in it. */
export const placesWithin = (polygons: readonly Polygon[], window: PixelWindow): Int32Array =>
  placesIn(window, window, coveredSpans(polygons, window), null);
