/** Where a picture is in focus: how much fine detail there is around each place. */
import type { Raster } from '../lab';

/** Steps of luma (8 bits) that are no detail: grain, and what JPEG leaves. */
const GRAIN = 6;
/** Spread of a place's detail over what lies around it, as a share of the width, twice. */
const SPREAD = 1 / 40;
/** What has no detail counts for this. */
const LEAST = 0.15;

/** Means of rows and columns of 2 · radius + 1 values; what lies beyond the rim counts as nothing. */
function spread(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const lines = (from: Float32Array, count: number, length: number, step: number, next: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < count; line++) {
      let sum = 0;
      for (let i = -radius; i < length; i++) {
        if (i + radius < length) sum += from[line * next + (i + radius) * step]!;
        if (i - radius > 0) sum -= from[line * next + (i - radius - 1) * step]!;
        if (i >= 0) to[line * next + i * step] = sum;
      }
    }
    return to;
  };
  return lines(lines(values, height, width, 1, width), width, height, width, 1);
}

/** 0.15…1 for every pixel of a picture a quarter as wide and high. */
export function focusOf({ rgb, width, height }: Raster): Float32Array {
  const luma = new Float32Array(width * height);
  for (let i = 0, k = 0; i < luma.length; i++, k += 3)
    luma[i] = 0.3 * rgb[k]! + 0.59 * rgb[k + 1]! + 0.11 * rgb[k + 2]!;
  const [w, h] = [width >> 1, height >> 1];
  const detail = new Float32Array(w * h);
  for (let y = 2; y < 2 * h - 2; y++)
    for (let x = 2, i = y * width + 2; x < 2 * w - 2; x++, i++) {
      const fine = 4 * luma[i]! - luma[i - 1]! - luma[i + 1]! - luma[i - width]! - luma[i + width]!;
      const to = (y >> 1) * w + (x >> 1);
      const own = (fine < 0 ? -fine : fine) - GRAIN;
      if (own > detail[to]!) detail[to] = own;
    }
  const radius = Math.max(1, Math.round(w * SPREAD));
  const soft = spread(spread(detail, w, h, radius), w, h, radius);
  // Soft as it is, every third place tells what is high.
  const some = soft.filter((_, i) => i % 3 === 0).sort();
  const high = some[Math.floor(0.95 * some.length)] || 1;
  const [across, down] = [w >> 1, h >> 1];
  return Float32Array.from({ length: across * down }, (_, i) => {
    const value = soft[2 * Math.floor(i / across) * w + 2 * (i % across)]!;
    return LEAST + (1 - LEAST) * Math.min(1, value / high);
  });
}
