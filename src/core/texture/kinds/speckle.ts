import { defineTexture, partParam, shareParam } from '../definition';
import { lotShare, wrapped } from '../noise';
import { tileOf } from '../tile';

const CELLS = 24;

/** Drops reach so many cells further. */
const REACH = 2;
/** Cells of a row with those that it goes on by at both ends. */
const ROW = CELLS + 2 * REACH;

/** One drop in each cell, and in those around the tile: where it lies, across and down, and its radius, in cells. */
function dropsOf(splatter: number, seed: number): Float64Array {
  const drops = new Float64Array(ROW * ROW * 3);
  for (let row = -REACH, k = 0; row < CELLS + REACH; row++)
    for (let column = -REACH; column < CELLS + REACH; column++, k += 3) {
      const [cx, cy] = [wrapped(column, CELLS), wrapped(row, CELLS)];
      drops[k] = column + lotShare(cx, cy, seed);
      drops[k + 1] = row + lotShare(cx, cy, seed + 1);
      // Few are large: the fourth power of a lot.
      const lot = lotShare(cx, cy, seed + 2);
      drops[k + 2] = 0.35 * (1 - splatter) + splatter * (0.08 + 1.5 * lot * lot * lot * lot);
    }
  return drops;
}

/** How far a place lies within the drop whose rim is furthest from it, in cells; −1 at the least. */
function within(drops: Float64Array, x: number, y: number): number {
  let highest = -1;
  for (let row = 0; row <= 2 * REACH; row++) {
    let k = 3 * ((Math.floor(y) + row) * ROW + Math.floor(x));
    for (let column = 0; column <= 2 * REACH; column++, k += 3) {
      const dx = drops[k]! - x;
      const dy = drops[k + 1]! - y;
      const depth = drops[k + 2]! - Math.sqrt(dx * dx + dy * dy);
      if (depth > highest) highest = depth;
    }
  }
  return highest;
}

/** Drops by lot: all alike, or a few large ones among many small. */
export const speckle = defineTexture({
  kind: 'speckle',
  label: 'Speckle',
  params: { share: shareParam(0.18), splatter: partParam(0.6) },
  labels: { share: 'Covers', splatter: 'Splatter' },
  size: 0.012,
  repeats: CELLS,
  tones: 'share',
  tile: ({ splatter }, seed) => {
    const drops = dropsOf(splatter, seed);
    return tileOf(512, (u, v) => within(drops, u * CELLS, v * CELLS));
  },
});
