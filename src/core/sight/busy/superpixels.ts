/**
 * Superpixels: a picture parted into small pieces of one colour (Achanta, Shaji, Smith,
 * Lucchi, Fua and Süsstrunk 2012, "SLIC superpixels compared to state-of-the-art superpixel
 * methods"), without joining stray pixels to their neighbours: only the pieces' means matter here.
 */
import type { Lab } from '../lab';

/** Of colour against place: a whole spacing away counts as much as this (ΔE*ab). */
const COMPACT = 12;
const ROUNDS = 5;

export type Superpixels = {
  /** Which piece a pixel belongs to. */
  readonly labels: Int32Array;
  readonly count: number;
  /** L*, a*, b*, x and y of each piece, one after the other; zeros for one without pixels. */
  readonly means: Float64Array;
  readonly pixels: Float64Array;
};

/** Values kept for a piece: L*, a*, b*, x, y. */
export const VALUES = 5;

/** Gives every pixel to the nearest piece within reach. */
function assign({ l, a, b, width, height }: Lab, means: Float64Array, spacing: number, labels: Int32Array): void {
  const nearest = new Float32Array(labels.length).fill(Infinity);
  const reach = Math.ceil(spacing * 1.5);
  const weight = (COMPACT / spacing) ** 2;
  for (let piece = 0, k = 0; k < means.length; piece++, k += VALUES) {
    const [ml, ma, mb, mx, my] = [means[k]!, means[k + 1]!, means[k + 2]!, means[k + 3]!, means[k + 4]!];
    const [left, right] = [Math.max(0, Math.floor(mx - reach)), Math.min(width, Math.ceil(mx + reach))];
    const [top, bottom] = [Math.max(0, Math.floor(my - reach)), Math.min(height, Math.ceil(my + reach))];
    for (let y = top; y < bottom; y++)
      for (let x = left, i = y * width + left; x < right; x++, i++) {
        const dl = l[i]! - ml;
        const da = a[i]! - ma;
        const db = b[i]! - mb;
        const dx = x - mx;
        const dy = y - my;
        const distance = dl * dl + da * da + db * db + weight * (dx * dx + dy * dy);
        if (distance >= nearest[i]!) continue;
        nearest[i] = distance;
        labels[i] = piece;
      }
  }
}

function meansOf({ l, a, b, width }: Lab, labels: Int32Array, count: number) {
  const means = new Float64Array(count * VALUES);
  const pixels = new Float64Array(count);
  for (let i = 0; i < labels.length; i++) {
    const [piece, k] = [labels[i]!, labels[i]! * VALUES];
    means[k]! += l[i]!;
    means[k + 1]! += a[i]!;
    means[k + 2]! += b[i]!;
    means[k + 3]! += i % width;
    means[k + 4]! += Math.floor(i / width);
    pixels[piece]!++;
  }
  for (let k = 0; k < means.length; k++) means[k]! /= Math.max(1, pixels[Math.floor(k / VALUES)]!);
  return { means, pixels };
}

/** @param about how many pieces */
export function superpixelsOf(lab: Lab, about: number): Superpixels {
  const { l, a, b, width, height } = lab;
  const spacing = Math.sqrt((width * height) / about);
  const [across, down] = [Math.max(2, Math.round(width / spacing)), Math.max(2, Math.round(height / spacing))];
  const count = across * down;
  const labels = new Int32Array(width * height);
  let found = { means: new Float64Array(count * VALUES), pixels: new Float64Array(count) };
  for (let piece = 0; piece < count; piece++) {
    const x = Math.floor((((piece % across) + 0.5) * width) / across);
    const y = Math.floor(((Math.floor(piece / across) + 0.5) * height) / down);
    const i = y * width + x;
    found.means.set([l[i]!, a[i]!, b[i]!, x, y], piece * VALUES);
  }
  for (let round = 0; round < ROUNDS; round++) {
    assign(lab, found.means, spacing, labels);
    found = meansOf(lab, labels, count);
  }
  return { labels, count, ...found };
}
