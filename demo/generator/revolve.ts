/** Turned forms: a closed profile in the (radius, height) half plane, spun about the y axis. */

export type ProfilePoint = readonly [radius: number, height: number];

export type Revolved = {
  /** Signed distance for a point at `radius` from the axis and `height` above the foot. */
  readonly distance: (radius: number, height: number) => number;
  readonly maxRadius: number;
  readonly height: number;
};

const COLUMNS = 180;
const ROWS = 260;
const MARGIN = 0.25;

/** Catmull-Rom through the points, `steps` pieces a span. */
function smoothed(points: readonly ProfilePoint[], steps: number): ProfilePoint[] {
  const out: ProfilePoint[] = [];
  for (let i = 0; i < points.length - 1; i++) {
    const p0 = points[Math.max(i - 1, 0)]!;
    const p1 = points[i]!;
    const p2 = points[i + 1]!;
    const p3 = points[Math.min(i + 2, points.length - 1)]!;
    for (let s = 0; s < steps; s++) {
      const t = s / steps;
      const at = (k: 0 | 1) =>
        0.5 *
        (2 * p1[k] +
          (p2[k] - p0[k]) * t +
          (2 * p0[k] - 5 * p1[k] + 4 * p2[k] - p3[k]) * t * t +
          (3 * p1[k] - p0[k] - 3 * p2[k] + p3[k]) * t * t * t);
      out.push([Math.max(at(0), 0), at(1)]);
    }
  }
  out.push(points[points.length - 1]!);
  return out;
}

function signedDistance(polygon: readonly ProfilePoint[], x: number, y: number): number {
  let best = Infinity;
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [ax, ay] = polygon[j]!;
    const [bx, by] = polygon[i]!;
    const ex = bx - ax;
    const ey = by - ay;
    const length = ex * ex + ey * ey;
    const t = length === 0 ? 0 : Math.min(Math.max(((x - ax) * ex + (y - ay) * ey) / length, 0), 1);
    // The closing piece on the axis is inside the solid, so it is no surface.
    if (!(ax < 1e-6 && bx < 1e-6)) best = Math.min(best, Math.hypot(x - ax - ex * t, y - ay - ey * t));
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside ? -best : best;
}

/** Builds a distance table for the profile: outer wall from the foot up, then the inner wall down. */
export function revolve(points: readonly ProfilePoint[]): Revolved {
  const polygon = smoothed(points, 8);
  const maxRadius = Math.max(...polygon.map((p) => p[0]));
  const height = Math.max(...polygon.map((p) => p[1]));
  const width = maxRadius + MARGIN;
  const tall = height + 2 * MARGIN;
  const table = new Float32Array(COLUMNS * ROWS);
  for (let row = 0; row < ROWS; row++)
    for (let column = 0; column < COLUMNS; column++)
      table[row * COLUMNS + column] = signedDistance(
        polygon,
        (column / (COLUMNS - 1)) * width,
        (row / (ROWS - 1)) * tall - MARGIN,
      );
  const distance = (radius: number, y: number) => {
    const overRadius = Math.max(radius - width, 0);
    const overHeight = Math.max(-MARGIN - y, y - height - MARGIN, 0);
    const u = Math.min((radius / width) * (COLUMNS - 1), COLUMNS - 1.001);
    const v = Math.min(Math.max(((y + MARGIN) / tall) * (ROWS - 1), 0), ROWS - 1.001);
    const i = u | 0;
    const j = v | 0;
    const fu = u - i;
    const fv = v - j;
    const k = j * COLUMNS + i;
    const top = table[k]! + (table[k + 1]! - table[k]!) * fu;
    const bottom = table[k + COLUMNS]! + (table[k + COLUMNS + 1]! - table[k + COLUMNS]!) * fu;
    return top + (bottom - top) * fv + Math.hypot(overRadius, overHeight);
  };
  return { distance, maxRadius, height };
}
