/** Projective maps of the unit square onto four corners. */

export type Corner = readonly [x: number, y: number];
/** Left top, right top, right bottom and left bottom of the picture. */
export type Corners = readonly [Corner, Corner, Corner, Corner];

/** Each corner elsewhere. */
export const cornersMoved = ([a, b, c, d]: Corners, move: (at: Corner) => Corner): Corners => [move(a), move(b), move(c), move(d)]; // prettier-ignore

/** Row by row: x' = (a·x + b·y + c) / (g·x + h·y + i), y' = (d·x + e·y + f) / (g·x + h·y + i). */
export type Homography = readonly [
  a: number, b: number, c: number,
  d: number, e: number, f: number,
  g: number, h: number, i: number,
]; // prettier-ignore

const cross = ([ax, ay]: Corner, [bx, by]: Corner, [cx, cy]: Corner) => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/** Of the square around four corners, the share that each of their turns has to take up: less is a line. */
const FLAT = 1e-6;

/** True where the corners go round without crossing, turning back or coinciding: only then is there such a map. */
export function isConvex(corners: Corners): boolean {
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const side = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const turns = corners.map((corner, k) => cross(corner, corners[(k + 1) % 4]!, corners[(k + 2) % 4]!));
  const least = FLAT * side * side;
  return turns.every((turn) => turn > least) || turns.every((turn) => turn < -least);
}

/** The map of the unit square onto the corners (P. Heckbert 1989, Fundamentals of Texture Mapping and Image Warping, §2.2.3). */
export function ontoCorners([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: Corners): Homography {
  const [dx1, dx2, sx] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sy] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const whole = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / whole;
  const h = (dx1 * sy - sx * dy1) / whole;
  return [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
}

/** The map back: the adjugate, as the scale of a homography does not matter. */
export const inverse = ([a, b, c, d, e, f, g, h, i]: Homography): Homography => [
  e * i - f * h, c * h - b * i, b * f - c * e,
  f * g - d * i, a * i - c * g, c * d - a * f,
  d * h - e * g, b * g - a * h, a * e - b * d,
]; // prettier-ignore

export function mapped([a, b, c, d, e, f, g, h, i]: Homography, [x, y]: Corner): Corner {
  const w = g * x + h * y + i;
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
}
