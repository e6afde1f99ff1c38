/**
 * Outlines bent by pins: moving least squares with rigid maps (Schaefer, McPhail & Warren 2006,
 * "Image deformation using moving least squares"). Every place turns and moves as the pins near it do.
 */
import { pointAt } from './cubic';
import { crossingIn } from './crossing';
import { areaOf } from './measure';
import { mapOutline, snap, type Affine, type Contour, type Cubic, type Outline, type Point } from './path';
import { boundsOfOutline } from './bounds';

/** What lies at one place is to lie at another; frame units. */
export type Pin = { readonly from: Point; readonly to: Point };

/** A place as the pins take it. */
function movedBy(pins: readonly Pin[], [x, y]: Point): Point {
  let [sum, px, py, qx, qy] = [0, 0, 0, 0, 0];
  const weights = new Float64Array(pins.length);
  for (let i = 0; i < pins.length; i++) {
    const { from, to } = pins[i]!;
    const far = (from[0] - x) ** 2 + (from[1] - y) ** 2;
    if (far < 1e-12) return to;
    const w = (weights[i] = 1 / far);
    sum += w;
    px += w * from[0];
    py += w * from[1];
    qx += w * to[0];
    qy += w * to[1];
  }
  [px, py, qx, qy] = [px / sum, py / sum, qx / sum, qy / sum];
  let [cos, sin] = [0, 0];
  for (let i = 0; i < pins.length; i++) {
    const { from, to } = pins[i]!;
    const [ax, ay, bx, by] = [from[0] - px, from[1] - py, to[0] - qx, to[1] - qy];
    cos += weights[i]! * (ax * bx + ay * by);
    sin += weights[i]! * (ax * by - ay * bx);
  }
  const long = Math.hypot(cos, sin);
  // A single pin, or pins in one place, only move.
  const [c, s] = long > 1e-12 ? [cos / long, sin / long] : [1, 0];
  const [vx, vy] = [x - px, y - py];
  return [qx + c * vx - s * vy, qy + s * vx + c * vy];
}

const STEPS = 40;

/** One more pin at a place of what is bent already: it stays where it is, and nothing else moves. */
export function pinAt(pins: readonly Pin[], place: Point): Pin {
  let from = place;
  // Where the others take it from, step by step.
  for (let i = 0; i < STEPS && pins.length > 0; i++) {
    const [x, y] = movedBy(pins, from);
    from = [from[0] + (place[0] - x) * 0.7, from[1] + (place[1] - y) * 0.7];
  }
  return { from, to: place };
}

/** The one rigid motion that takes every pin to its place; null where there is none. */
function commonMotion(pins: readonly Pin[]): Affine | null {
  const n = pins.length;
  const middle = (of: 'from' | 'to', axis: 0 | 1) => pins.reduce((sum, pin) => sum + pin[of][axis], 0) / n;
  const [px, py, qx, qy] = [middle('from', 0), middle('from', 1), middle('to', 0), middle('to', 1)];
  let [cos, sin] = [0, 0];
  for (const { from, to } of pins) {
    cos += (from[0] - px) * (to[0] - qx) + (from[1] - py) * (to[1] - qy);
    sin += (from[0] - px) * (to[1] - qy) - (from[1] - py) * (to[0] - qx);
  }
  const long = Math.hypot(cos, sin);
  const [c, s] = long > 1e-12 ? [cos / long, sin / long] : [1, 0];
  const map: Affine = [c, s, -s, c, qx - c * px + s * py, qy - s * px - c * py];
  const fits = pins.every(({ from: [x, y], to }) => {
    const [mx, my] = [map[0] * x + map[2] * y + map[4], map[1] * x + map[3] * y + map[5]];
    return Math.hypot(mx - to[0], my - to[1]) < 1e-6;
  });
  return fits ? map : null;
}

/** A curve is bent in pieces no longer than this share of the outline's size. */
const PIECE = 1 / 40;
/** Most pieces of an outline. */
const MOST_PIECES = 12_000;

/** @param most pieces of one curve */
function bentContour({ start, cubics }: Contour, pins: readonly Pin[], size: number, most: number): Contour {
  const snapped = ([x, y]: Point): Point => [snap(x), snap(y)];
  let from = start;
  const first = snapped(movedBy(pins, start));
  const out: Cubic[] = [];
  for (const cubic of cubics) {
    const long =
      Math.hypot(cubic[4] - from[0], cubic[5] - from[1]) + Math.hypot(cubic[0] - from[0], cubic[1] - from[1]);
    const pieces = Math.min(most, Math.max(1, Math.ceil(long / (size * PIECE))));
    const at = (t: number) => movedBy(pins, pointAt(from, cubic, Math.min(1, Math.max(0, t))));
    const step = 1 / pieces;
    const e = step / 64;
    for (let i = 0; i < pieces; i++) {
      const [t0, t1] = [i * step, (i + 1) * step];
      const [a, b] = [at(t0), at(t1)];
      const [a1, b1] = [at(t0 + e), at(t1 - e)];
      // A third of the way at the speed of each end.
      const k = step / (3 * e);
      out.push([
        snap(a[0] + (a1[0] - a[0]) * k),
        snap(a[1] + (a1[1] - a[1]) * k),
        snap(b[0] + (b1[0] - b[0]) * k),
        snap(b[1] + (b1[1] - b[1]) * k),
        snap(b[0]),
        snap(b[1]),
      ]);
    }
    from = [cubic[4], cubic[5]];
  }
  return { start: first, cubics: out };
}

const HALVINGS = 7;

export type Bent = {
  readonly outline: Outline;
  /** How much of the way the pins went, 0…1. */
  readonly share: number;
  /** Where the outline would run across itself, or be turned over, if they went further; null where they went all the way. */
  readonly crossing: Point | null;
};

/** The outline bent by pins, as far as it can be without running across itself or being turned inside out. */
export function bent(outline: Outline, pins: readonly Pin[]): Bent {
  const all = (made: Outline): Bent => ({ outline: made, share: 1, crossing: null });
  if (pins.every(({ from, to }) => from[0] === to[0] && from[1] === to[1])) return all(outline);
  const motion = commonMotion(pins);
  if (motion) return all(mapOutline(outline, motion));
  const [left, top, right, bottom] = boundsOfOutline(outline);
  const size = Math.max(right - left, bottom - top);
  const curves = outline.reduce((sum, { cubics }) => sum + cubics.length, 0);
  const most = Math.max(1, Math.floor(MOST_PIECES / curves));
  const at = (share: number) => {
    const part = pins.map(({ from, to }): Pin => ({ from, to: [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share] })); // prettier-ignore
    return outline.map((contour) => bentContour(contour, part, size, most));
  };
  // Contours that cross each other from the start may go on doing so.
  const areApart = outline.length > 1 && crossingIn(outline) === null;
  const isClockwise = (contour: Contour) => areaOf([contour]) > 0;
  const ways = outline.map(isClockwise);
  // Beyond the place where it runs across itself there may be one where it does so no more, but from the other side.
  const turnedOver = (tried: Outline): Point | null =>
    tried.find((contour, i) => isClockwise(contour) !== ways[i])?.start ?? null;
  const crossingOf = (tried: Outline): Point | null =>
    turnedOver(tried) ??
    (areApart ? crossingIn(tried) : tried.reduce<Point | null>((found, one) => found ?? crossingIn([one]), null));
  const whole = at(1);
  let crossing = crossingOf(whole);
  if (!crossing) return all(whole);
  let [best, low, high] = [outline, 0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const tried = at(middle);
    const found = crossingOf(tried);
    if (found) [high, crossing] = [middle, found];
    else [low, best] = [middle, tried];
  }
  return { outline: best, share: low, crossing };
}
