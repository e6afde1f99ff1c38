/** Arithmetic of affine maps. */
import type { Affine, Point } from './path';

export const IDENTITY: Affine = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export function after([a, b, c, d, e, f]: Affine, inner: Affine): Affine {
  const [g, h, i, j, k, l] = inner;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

/** The map that takes everything back; the given one must not flatten the plane. */
export function inverseOf([a, b, c, d, e, f]: Affine): Affine {
  const det = a * d - b * c;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** Where a map takes a point. */
export const mapPoint = ([a, b, c, d, e, f]: Affine, [x, y]: Point): Point => [a * x + c * y + e, b * x + d * y + f];

/** Of one of several copies how far each is turned (degrees clockwise), how large it is, and how far moved, against the one before it. */
export type Step = { readonly angle: number; readonly scale: number; readonly x: number; readonly y: number };

/** From the first of such copies to the `i`-th after it, turned and scaled about a place. */
export function stepMap({ angle, scale, x, y }: Step, i: number, [ax, ay]: Point): Affine {
  const radians = (angle * i * Math.PI) / 180;
  const k = scale ** i;
  const [cos, sin] = [Math.cos(radians) * k, Math.sin(radians) * k];
  return [cos, sin, -sin, cos, ax + x * i - cos * ax + sin * ay, ay + y * i - sin * ax - cos * ay];
}
