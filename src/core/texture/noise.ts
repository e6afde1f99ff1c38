/** Noise that repeats: whole-number hashing, products and square roots only, so that every engine gives the same bytes. */

/** A whole number by lot for a place of a lattice (finaliser of MurmurHash3, public domain). */
export function lot(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1) ^ Math.imul(seed + 1, 0x9e3779b1);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** The same within 0…1. */
export const lotShare = (x: number, y: number, seed: number): number => lot(x, y, seed) / 4294967296;

/** `v` within 0…`period`. */
export const wrapped = (v: number, period: number): number => v - Math.floor(v / period) * period;

/** Sixteen directions, all as long. */
const C = 0.9238795325112867;
const S = 0.3826834323650898;
const D = 0.7071067811865476;
const DX = Float64Array.of(1, C, D, S, 0, -S, -D, -C, -1, -C, -D, -S, 0, S, D, C);
const DY = Float64Array.of(0, S, D, C, 1, C, D, S, 0, -S, -D, -C, -1, -C, -D, -S);

/** Slopes at both ends are nought, and so are their changes (Perlin 2002, "Improving noise"). */
const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);

/**
 * Gradient noise (Perlin 1985, "An image synthesizer") over a lattice that repeats: about −0.7…0.7 around 0.
 *
 * @param columns, rows whole cells after which it repeats
 */
export function noise(x: number, y: number, columns: number, rows: number, seed: number): number {
  const x0 = Math.floor(x);
  const y0 = Math.floor(y);
  const fx = x - x0;
  const fy = y - y0;
  const l = wrapped(x0, columns);
  const t = wrapped(y0, rows);
  const r = l + 1 === columns ? 0 : l + 1;
  const b = t + 1 === rows ? 0 : t + 1;
  const u = fade(fx);
  const above = slope(l, t, seed, fx, fy) * (1 - u) + slope(r, t, seed, fx - 1, fy) * u;
  const below = slope(l, b, seed, fx, fy - 1) * (1 - u) + slope(r, b, seed, fx - 1, fy - 1) * u;
  const v = fade(fy);
  return above * (1 - v) + below * v;
}

/** How far a place lies along the direction of a corner of the lattice. */
function slope(column: number, row: number, seed: number, dx: number, dy: number): number {
  const k = lot(column, row, seed) & 15;
  return DX[k]! * dx + DY[k]! * dy;
}

/** Octaves of noise, each twice as fine and half as strong. */
export function octaves(x: number, y: number, columns: number, rows: number, many: number, seed: number): number {
  let sum = 0;
  for (let k = 0, by = 1; k < many; k++, by *= 2)
    sum += noise(x * by, y * by, columns * by, rows * by, seed + k * 31) / by;
  return sum;
}

/** Distance from the nearest of one point by lot in each cell (Worley 1996, "A cellular texture basis function"). */
export function nearestPoint(x: number, y: number, columns: number, rows: number, seed: number): number {
  const x0 = Math.floor(x);
  const y0 = Math.floor(y);
  let nearest = Infinity;
  for (let row = y0 - 1; row <= y0 + 1; row++)
    for (let column = x0 - 1; column <= x0 + 1; column++) {
      const cx = wrapped(column, columns);
      const cy = wrapped(row, rows);
      const dx = column + lotShare(cx, cy, seed) - x;
      const dy = row + lotShare(cx, cy, seed + 7919) - y;
      nearest = Math.min(nearest, dx * dx + dy * dy);
    }
  return Math.sqrt(nearest);
}
