/** Coverage seen through a Gaussian, as shadows need it. */
import type { Polygon } from '../shape';
import { blur, blurReach } from './blur';
import { fromCells } from './cells';
import { coverage, type PixelWindow } from './coverage';
import { newRoom, type Room } from './room';

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

/**
 * The polygons' coverage blurred by a Gaussian, for the pixels of a window, 0…1. Polygons
 * beyond the window count with what they spread into it.
 *
 * @param polygons in pixels; contours that don't overlap, holes turning the other way
 * @param sigma in pixels, 0 for none
 * @param unseen where it is 1 nobody asks; what is answered there means nothing
 */
export function softCoverage(
  polygons: readonly Polygon[],
  window: PixelWindow,
  sigma: number,
  unseen: Float32Array | null = null,
  room: Room = newRoom,
): Float32Array {
  if (sigma <= 0) return coverage(polygons, window, room);
  const cell = cellFor(sigma);
  const narrow = sigmaInCells(sigma, cell);
  const rim = blurReach(narrow) + 1;
  const inCells = polygons.map((p) => p.map(([x, y]) => [(x - window.left) / cell, (y - window.top) / cell] as const));
  const [columns, rows] = [Math.ceil(window.width / cell) + 2 * rim, Math.ceil(window.height / cell) + 2 * rim];
  const cells = coverage(inCells, { left: -rim, top: -rim, width: columns, height: rows });
  blur(cells, columns, rows, narrow);
  return fromCells({ cells, stride: columns, rim, cell }, window.width, 0, window.height, unseen, room);
}
