/** Coverage seen through a Gaussian, as shadows need it. */
import type { Polygon } from '../shape';
import { blur, blurReach } from './blur';
import { coverage, type PixelWindow } from './coverage';

/** The blur works on cells so coarse that its own sigma is still this many of them. */
const LEAST_SIGMA = 2;

/**
 * Side of a cell in pixels for a blur of this sigma: a power of two. What is blurred is
 * smooth, so coarse cells lose nothing that could be seen: straight lines between them
 * stay within h²/8 · max|f''| = h²/8 · 0.242/σ² of an edge's profile, at most 2/255.
 */
function cellFor(sigma: number): number {
  return sigma < 2 * LEAST_SIGMA ? 1 : 2 ** Math.floor(Math.log2(sigma / LEAST_SIGMA));
}

/**
 * Sigma in cells of `cell` pixels. The cells' own averaging (a box, variance cell²/12)
 * and the straight lines between them (a triangle, cell²/6) blur too; a pixel's own box
 * (1/12) is part of what is wanted.
 */
function sigmaInCells(sigma: number, cell: number): number {
  return cell === 1 ? sigma : Math.sqrt(sigma * sigma + 1 / 12 - (cell * cell) / 4) / cell;
}

/** Values along one axis between cells: the cell before each pixel's centre, and the share of the one after. */
function stepsFor(length: number, cell: number) {
  const before = new Int32Array(length);
  const share = new Float32Array(length);
  for (let x = 0; x < length; x++) {
    const at = (x + 0.5) / cell - 0.5;
    before[x] = Math.floor(at);
    share[x] = at - before[x]!;
  }
  return { before, share };
}

/** Cells into pixels, by straight lines between the cells' middles; `rim` cells lie around the window. */
function fromCells(
  cells: Float32Array,
  stride: number,
  rim: number,
  cell: number,
  { width, height }: PixelWindow,
): Float32Array {
  const out = new Float32Array(width * height);
  if (cell === 1) {
    for (let y = 0; y < height; y++) {
      const start = (y + rim) * stride + rim;
      out.set(cells.subarray(start, start + width), y * width);
    }
    return out;
  }
  const across = stepsFor(width, cell);
  const down = stepsFor(height, cell);
  const stretched = new Map<number, Float32Array>();
  const rowOf = (row: number) => {
    const known = stretched.get(row);
    if (known) return known;
    const line = new Float32Array(width);
    const start = (row + rim) * stride + rim;
    for (let x = 0; x < width; x++) {
      const k = start + across.before[x]!;
      line[x] = cells[k]! + across.share[x]! * (cells[k + 1]! - cells[k]!);
    }
    stretched.delete(row - 2);
    stretched.set(row, line);
    return line;
  };
  for (let y = 0; y < height; y++) {
    const upper = rowOf(down.before[y]!);
    const lower = rowOf(down.before[y]! + 1);
    const share = down.share[y]!;
    const line = out.subarray(y * width, (y + 1) * width);
    for (let x = 0; x < width; x++) line[x] = upper[x]! + share * (lower[x]! - upper[x]!);
  }
  return out;
}

/**
 * The polygons' coverage blurred by a Gaussian, for the pixels of a window, 0…1. Polygons
 * beyond the window count with what they spread into it.
 *
 * @param polygons in pixels; contours that don't overlap, holes turning the other way
 * @param sigma in pixels, 0 for none
 */
export function softCoverage(polygons: readonly Polygon[], window: PixelWindow, sigma: number): Float32Array {
  if (sigma <= 0) return coverage(polygons, window);
  const cell = cellFor(sigma);
  const narrow = sigmaInCells(sigma, cell);
  const rim = blurReach(narrow) + 1;
  const inCells = polygons.map((p) => p.map(([x, y]) => [(x - window.left) / cell, (y - window.top) / cell] as const));
  const [columns, rows] = [Math.ceil(window.width / cell) + 2 * rim, Math.ceil(window.height / cell) + 2 * rim];
  const cells = coverage(inCells, { left: -rim, top: -rim, width: columns, height: rows });
  blur(cells, columns, rows, narrow);
  return fromCells(cells, columns, rim, cell, window);
}
