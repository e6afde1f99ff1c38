/** The few vector helpers the ray marcher needs. Colours are linear light, 0…1 and above. */

export type Vec3 = readonly [number, number, number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const scale = (a: Vec3, s: number): Vec3 => [a[0] * s, a[1] * s, a[2] * s];
export const multiply = (a: Vec3, b: Vec3): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
export const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const normal = (a: Vec3): Vec3 => scale(a, 1 / Math.sqrt(dot(a, a)));
export const mix = (a: Vec3, b: Vec3, t: number): Vec3 => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
export const clamp = (v: number, low = 0, high = 1) => (v < low ? low : v > high ? high : v);
export const smooth = (low: number, high: number, v: number) => {
  const t = clamp((v - low) / (high - low));
  return t * t * (3 - 2 * t);
};

/** Linear-light colour of an sRGB hex string (IEC 61966-2-1 curve). */
export function linear(hex: string): Vec3 {
  const channel = (i: number) => {
    const v = parseInt(hex.slice(i, i + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  };
  return [channel(1), channel(3), channel(5)];
}

/** Polynomial smooth minimum with blend radius `k`. */
export function smoothMin(a: number, b: number, k: number): number {
  const h = Math.max(k - Math.abs(a - b), 0) / k;
  return Math.min(a, b) - h * h * k * 0.25;
}

/** Approximate distance to an ellipsoid around the origin. */
export function ellipsoid(x: number, y: number, z: number, rx: number, ry: number, rz: number): number {
  const a = Math.sqrt((x / rx) ** 2 + (y / ry) ** 2 + (z / rz) ** 2);
  const b = Math.sqrt((x / (rx * rx)) ** 2 + (y / (ry * ry)) ** 2 + (z / (rz * rz)) ** 2);
  return b === 0 ? -Math.min(rx, ry, rz) : (a * (a - 1)) / b;
}

/** Distance to a capsule from (ax, ay, az) to (bx, by, bz) whose radius runs from r0 to r1. */
export function capsule(p: Vec3, a: Vec3, b: Vec3, r0: number, r1: number): number {
  const pa: Vec3 = [p[0] - a[0], p[1] - a[1], p[2] - a[2]];
  const ba: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const t = clamp(dot(pa, ba) / dot(ba, ba));
  return Math.hypot(pa[0] - ba[0] * t, pa[1] - ba[1] * t, pa[2] - ba[2] * t) - (r0 + (r1 - r0) * t);
}
