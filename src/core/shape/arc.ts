/** SVG's elliptic arcs as cubics. */
import { arcCubics, type Cubic, type Point } from './path';

const angleOf = (x: number, y: number) => Math.atan2(y, x);

/**
 * Cubics of an SVG arc command from `from` to `to`: endpoint to centre parameterisation by
 * SVG 2 appendix B.2.4, radii that are too small enlarged by B.2.5. `turn` in degrees.
 */
export function svgArc(
  [x1, y1]: Point,
  [x2, y2]: Point,
  radii: readonly [rx: number, ry: number],
  turn: number,
  large: boolean,
  sweep: boolean,
): Cubic[] {
  let [rx, ry] = [Math.abs(radii[0]), Math.abs(radii[1])];
  if (x1 === x2 && y1 === y2) return [];
  const phi = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(phi), Math.sin(phi)];
  const [hx, hy] = [(x1 - x2) / 2, (y1 - y2) / 2];
  const [px, py] = [cos * hx + sin * hy, cos * hy - sin * hx];
  const fit = (px * px) / (rx * rx) + (py * py) / (ry * ry);
  if (fit > 1) [rx, ry] = [rx * Math.sqrt(fit), ry * Math.sqrt(fit)];
  const top = rx * rx * ry * ry - rx * rx * py * py - ry * ry * px * px;
  const root = Math.sqrt(Math.max(0, top / (rx * rx * py * py + ry * ry * px * px))) * (large === sweep ? -1 : 1);
  const [ux, uy] = [(root * rx * py) / ry, (-root * ry * px) / rx];
  const [cx, cy] = [cos * ux - sin * uy + (x1 + x2) / 2, sin * ux + cos * uy + (y1 + y2) / 2];
  const from = angleOf((px - ux) / rx, (py - uy) / ry);
  let through = angleOf((-px - ux) / rx, (-py - uy) / ry) - from;
  if (!sweep && through > 0) through -= 2 * Math.PI;
  if (sweep && through < 0) through += 2 * Math.PI;
  const map = (x: number, y: number): Point => [cos * x - sin * y + cx, sin * x + cos * y + cy];
  const cubics = arcCubics(0, 0, rx, ry, from, through, false).map(([ax, ay, bx, by, ex, ey]): Cubic => {
    const [a, b, e] = [map(ax, ay), map(bx, by), map(ex, ey)];
    return [a[0], a[1], b[0], b[1], e[0], e[1]];
  });
  const last = cubics[cubics.length - 1]!;
  cubics[cubics.length - 1] = [last[0], last[1], last[2], last[3], x2, y2];
  return cubics;
}
