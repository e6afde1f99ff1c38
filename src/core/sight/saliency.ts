/**
 * What stands out on a busy ground: the minimum barrier distance to the photo's rim
 * (Zhang, Sclaroff, Lin, Shen, Price and Mech 2015, "Minimum barrier salient object
 * detection at 80 FPS"): how much any way to the rim has to change in value.
 */
import type { Lab } from './lab';

const SWEEPS = 3;

function barrier(values: Float32Array, width: number, height: number, out: Float32Array): void {
  const n = values.length;
  const distance = new Float32Array(n).fill(Infinity);
  const high = Float32Array.from(values);
  const low = Float32Array.from(values);
  for (let i = 0; i < n; i++) {
    const [x, y] = [i % width, Math.floor(i / width)];
    if (x === 0 || y === 0 || x === width - 1 || y === height - 1) distance[i] = 0;
  }
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    const back = sweep % 2 === 1;
    const step = back ? -1 : 1;
    for (let row = 1; row < height - 1; row++) {
      const y = back ? height - 1 - row : row;
      let i = y * width + (back ? width - 2 : 1);
      for (let x = 1; x < width - 1; x++, i += step) {
        const v = values[i]!;
        for (let way = 0; way < 2; way++) {
          const from = i - (way === 0 ? step : step * width);
          const top = high[from]! > v ? high[from]! : v;
          const bottom = low[from]! < v ? low[from]! : v;
          if (top - bottom >= distance[i]!) continue;
          distance[i] = top - bottom;
          high[i] = top;
          low[i] = bottom;
        }
      }
    }
  }
  for (let i = 0; i < n; i++) out[i]! += distance[i]!;
}

/** How much every pixel stands out; what lies near the middle counts somewhat more. */
export function saliencyOf({ l, a, b, width, height }: Lab): Float32Array {
  const out = new Float32Array(l.length);
  for (const plane of [l, a, b]) barrier(plane, width, height, out);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const [u, v] = [(x + 0.5) / width - 0.5, (y + 0.5) / height - 0.5];
      out[i]! *= 1 - 0.7 * Math.min(1, 4 * (u * u + v * v));
    }
  return out;
}
