/** Curves given by formulas as cubic pieces. */
import { snap, type Cubic, type Point } from './path';

/** A point of a curve and its derivative, both by the parameter. */
export type Traced = { readonly at: Point; readonly by: Point };

/**
 * Cubics through a curve from parameter `from` to `to` in equal steps (Hermite's form: the
 * control points lie a third of the step along the derivatives). The error falls with the
 * fourth power of the steps.
 */
export function hermiteCubics(trace: (t: number) => Traced, from: number, to: number, pieces: number): Cubic[] {
  const step = (to - from) / pieces;
  return Array.from({ length: pieces }, (_, i) => {
    const a = trace(from + i * step);
    const b = trace(from + (i + 1) * step);
    const third = step / 3;
    return [
      snap(a.at[0] + a.by[0] * third),
      snap(a.at[1] + a.by[1] * third),
      snap(b.at[0] - b.by[0] * third),
      snap(b.at[1] - b.by[1] * third),
      snap(b.at[0]),
      snap(b.at[1]),
    ];
  });
}
