/** Seeded randomness and value noise for the demo pictures: the same seed gives the same picture. */

export type Random = () => number;

/** mulberry32: a small 32-bit generator, uniform in 0…1. */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export const between = (random: Random, low: number, high: number) => low + (high - low) * random();

export function pick<T>(random: Random, list: readonly T[]): T {
  return list[Math.floor(random() * list.length)]!;
}

function lattice(x: number, y: number, z: number): number {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(z, 2147483647 - 1274126177);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Smooth value noise, 0…1, over a unit lattice. */
export function noise(x: number, y: number, z = 0): number {
  const xi = Math.floor(x);
  const yi = Math.floor(y);
  const zi = Math.floor(z);
  const fade = (t: number) => t * t * (3 - 2 * t);
  const u = fade(x - xi);
  const v = fade(y - yi);
  const w = fade(z - zi);
  const plane = (k: number) => {
    const a = lattice(xi, yi, k);
    const b = lattice(xi + 1, yi, k);
    const c = lattice(xi, yi + 1, k);
    const d = lattice(xi + 1, yi + 1, k);
    return a + (b - a) * u + (c - a) * v + (a - b - c + d) * u * v;
  };
  const near = plane(zi);
  return w === 0 ? near : near + (plane(zi + 1) - near) * w;
}

/** Fractal sum of `octaves` noises, 0…1. */
export function fractal(x: number, y: number, z: number, octaves: number): number {
  let sum = 0;
  let weight = 0.5;
  let total = 0;
  for (let i = 0; i < octaves; i++) {
    sum += noise(x, y, z) * weight;
    total += weight;
    weight *= 0.5;
    x = x * 2.03 + 17.1;
    y = y * 2.03 + 5.7;
    z = z * 2.03 + 9.3;
  }
  return sum / total;
}
