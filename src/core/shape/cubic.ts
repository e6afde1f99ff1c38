/** Single cubic segments: points, tangents, parts, lengths. */
import type { Cubic, Point } from './path';

/** Point of the cubic that begins at `from`, at t in 0…1 (Bernstein form). */
export function pointAt([x0, y0]: Point, [x1, y1, x2, y2, x3, y3]: Cubic, t: number): Point {
  const s = 1 - t;
  const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
  return [a * x0 + b * x1 + c * x2 + d * x3, a * y0 + b * y1 + c * y2 + d * y3];
}

/** Derivative at t. */
export function derivativeAt([x0, y0]: Point, [x1, y1, x2, y2, x3, y3]: Cubic, t: number): Point {
  const s = 1 - t;
  const [a, b, c] = [3 * s * s, 6 * s * t, 3 * t * t];
  return [a * (x1 - x0) + b * (x2 - x1) + c * (x3 - x2), a * (y1 - y0) + b * (y2 - y1) + c * (y3 - y2)];
}

const unit = (x: number, y: number): Point | null => {
  const length = Math.hypot(x, y);
  return length > 1e-9 ? [x / length, y / length] : null;
};

/** Direction at the start: towards the first control point that is not the start itself. */
export function startDirection([x0, y0]: Point, [x1, y1, x2, y2, x3, y3]: Cubic): Point {
  return unit(x1 - x0, y1 - y0) ?? unit(x2 - x0, y2 - y0) ?? unit(x3 - x0, y3 - y0) ?? [1, 0];
}

/** Direction at the end. */
export function endDirection([x0, y0]: Point, [x1, y1, x2, y2, x3, y3]: Cubic): Point {
  return unit(x3 - x2, y3 - y2) ?? unit(x3 - x1, y3 - y1) ?? unit(x3 - x0, y3 - y0) ?? [1, 0];
}

/** Where the cubic, cut at t, ends and goes on (de Casteljau). */
export function cutAt([x0, y0]: Point, [x1, y1, x2, y2, x3, y3]: Cubic, t: number): readonly [Cubic, Cubic] {
  const mix = (a: number, b: number) => a + (b - a) * t;
  const [ax, ay, bx, by, cx, cy] = [mix(x0, x1), mix(y0, y1), mix(x1, x2), mix(y1, y2), mix(x2, x3), mix(y2, y3)];
  const [dx, dy, ex, ey] = [mix(ax, bx), mix(ay, by), mix(bx, cx), mix(by, cy)];
  const [x, y] = [mix(dx, ex), mix(dy, ey)];
  return [
    [ax, ay, dx, dy, x, y],
    [ex, ey, cx, cy, x3, y3],
  ];
}

/** The part of a cubic from t = a to t = b, with its own start. */
export function partOf(
  from: Point,
  cubic: Cubic,
  a: number,
  b: number,
): { readonly start: Point; readonly cubic: Cubic } {
  const head = b < 1 ? cutAt(from, cubic, b)[0] : cubic;
  if (a <= 0) return { start: from, cubic: head };
  const [before, rest] = cutAt(from, head, a / b);
  return { start: [before[4], before[5]], cubic: rest };
}

/** Nodes and weights of Gauss–Legendre quadrature with 8 points on −1…1 (Abramowitz and Stegun 1964, table 25.4). */
export const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
] as const;

/** Length of the cubic from its start to t, over so many stretches of eight points: more for cubics that bend sharply. */
export function lengthTo(from: Point, cubic: Cubic, t: number, stretches = 8): number {
  let sum = 0;
  const half = t / stretches / 2;
  const speed = (at: number) => Math.hypot(...derivativeAt(from, cubic, at));
  for (let i = 0; i < stretches; i++) {
    const middle = (2 * i + 1) * half;
    for (const [node, weight] of GAUSS)
      sum += weight * half * (speed(middle - node * half) + speed(middle + node * half));
  }
  return sum;
}

/** True for a straight side: control points on the line, a third and two thirds of the way. */
export function isStraight([x0, y0]: Point, [x1, y1, x2, y2, x, y]: Cubic): boolean {
  const close = (a: number, b: number) => Math.abs(a - b) < 1 / 2048;
  return (
    close(x1, x0 + (x - x0) / 3) &&
    close(y1, y0 + (y - y0) / 3) &&
    close(x2, x + (x0 - x) / 3) &&
    close(y2, y + (y0 - y) / 3)
  );
}

/** The t at which a cubic of `whole` length has gone `length`: Newton's steps, the speed being the derivative, kept within 0…1. */
export function atLength(from: Point, cubic: Cubic, length: number, whole: number): number {
  if (length >= whole) return 1;
  let t = Math.max(0, length / whole);
  if (isStraight(from, cubic)) return t;
  for (let i = 0; i < 12; i++) {
    const excess = lengthTo(from, cubic, t, 2) - length;
    const speed = Math.hypot(...derivativeAt(from, cubic, t));
    if (Math.abs(excess) < 1e-7 * whole || speed < 1e-9) break;
    t = Math.min(1, Math.max(0, t - excess / speed));
  }
  return t;
}
