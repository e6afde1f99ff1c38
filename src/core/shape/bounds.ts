/** Exact bounds of cubic outlines. */
import type { Cubic, Outline } from './path';

/** Parameters within 0…1 at which one coordinate of a cubic turns: roots of its derivative. */
function turns(a: number, b: number, c: number, d: number): number[] {
  const qa = 3 * (d - 3 * c + 3 * b - a);
  const qb = 6 * (c - 2 * b + a);
  const qc = 3 * (b - a);
  if (Math.abs(qa) < 1e-12) return Math.abs(qb) < 1e-12 ? [] : [-qc / qb];
  const root = qb * qb - 4 * qa * qc;
  if (root < 0) return [];
  const s = Math.sqrt(root);
  return [(-qb + s) / (2 * qa), (-qb - s) / (2 * qa)];
}

const valueAt = (t: number, a: number, b: number, c: number, d: number) => {
  const s = 1 - t;
  return s * s * s * a + 3 * s * s * t * b + 3 * s * t * t * c + t * t * t * d;
};

/** Left, top, right and bottom of an outline with at least one contour. */
export function boundsOfOutline(outline: Outline): readonly [left: number, top: number, right: number, bottom: number] {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const add = (x: number, y: number) => {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  };
  const addCubic = (x0: number, y0: number, [x1, y1, x2, y2, x3, y3]: Cubic) => {
    add(x3, y3);
    for (const t of [...turns(x0, x1, x2, x3), ...turns(y0, y1, y2, y3)])
      if (t > 0 && t < 1) add(valueAt(t, x0, x1, x2, x3), valueAt(t, y0, y1, y2, y3));
  };
  for (const { start, cubics } of outline) {
    add(start[0], start[1]);
    let [x, y] = start;
    for (const cubic of cubics) {
      addCubic(x, y, cubic);
      [x, y] = [cubic[4], cubic[5]];
    }
  }
  return [left, top, right, bottom];
}
