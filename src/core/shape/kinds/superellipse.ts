import { defineShape, shareParam } from '../definition';
import { hermiteCubics } from '../curve';
import { snap } from '../path';

/** Pieces a quarter: enough for the sharpest corners allowed. */
const PIECES = 48;

/**
 * Superellipse |x/a|ⁿ + |y/b|ⁿ = 1 (Lamé's curve): 2 is an ellipse, more is squarer, 1 a
 * diamond. Traced by its polar angle in the unit box, where its derivative stays finite.
 */
export const superellipse = defineShape({
  kind: 'superellipse',
  label: 'Superellipse',
  also: ['soft square', 'rounded'],
  anyProportion: true,
  params: { exponent: shareParam(1, 12, 4) },
  controls: { exponent: { label: 'Squareness', as: 'count', step: 0.1 } },
  handles: {
    exponent: ({ exponent }, { width: w, height: h }) => {
      const out = 2 ** (-1 / exponent) / 2;
      return [out * w, -out * h];
    },
  },
  outline: ({ exponent: n }, { width, height }) => {
    const quarter = (turn: number) => (t: number) => {
      const [c, s] = [Math.cos(t), Math.sin(t)];
      const [cp, sp] = [Math.max(c, 0), Math.max(s, 0)];
      const sum = cp ** n + sp ** n;
      const r = sum ** (-1 / n);
      // d/dt of (cosⁿ + sinⁿ)^(−1/n).
      const dr = -r * ((sp ** (n - 1) * cp - cp ** (n - 1) * sp) / sum);
      const [x, y, dx, dy] = [r * c, r * s, dr * c - r * s, dr * s + r * c];
      // Quarter turns are exact: (x, y) → (−y, x).
      const turned = [[x, y, dx, dy], [-y, x, -dy, dx], [-x, -y, -dx, -dy], [y, -x, dy, -dx]][turn]!; // prettier-ignore
      const [tx, ty, tdx, tdy] = turned as [number, number, number, number];
      return { at: [(tx * width) / 2, (ty * height) / 2], by: [(tdx * width) / 2, (tdy * height) / 2] } as const;
    };
    const cubics = [0, 1, 2, 3].flatMap((turn) => hermiteCubics(quarter(turn), 0, Math.PI / 2, PIECES));
    const start = [snap(width / 2), 0] as const;
    const last = cubics[cubics.length - 1]!;
    cubics[cubics.length - 1] = [last[0], last[1], last[2], last[3], start[0], start[1]];
    return [{ start, cubics }];
  },
});
