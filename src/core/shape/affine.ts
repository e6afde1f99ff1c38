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
