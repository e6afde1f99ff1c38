import { defineTexture, partParam, shareParam } from '../definition';
import { lotShare, wrapped } from '../noise';
import { tileOf } from '../tile';

const CELLS = 24;

/** Drops by lot: all alike, or a few large ones among many small. */
export const speckle = defineTexture({
  kind: 'speckle',
  label: 'Speckle',
  params: { share: shareParam(0.18), splatter: partParam(0.6) },
  labels: { share: 'Covers', splatter: 'Splatter' },
  size: 0.012,
  repeats: CELLS,
  tones: 'share',
  tile: ({ splatter }, seed) =>
    tileOf(512, (u, v) => {
      const [x, y] = [u * CELLS, v * CELLS];
      const [x0, y0] = [Math.floor(x), Math.floor(y)];
      let highest = -Infinity;
      for (let row = y0 - 2; row <= y0 + 2; row++)
        for (let column = x0 - 2; column <= x0 + 2; column++) {
          const [cx, cy] = [wrapped(column, CELLS), wrapped(row, CELLS)];
          const dx = column + lotShare(cx, cy, seed) - x;
          const dy = row + lotShare(cx, cy, seed + 1) - y;
          // Few are large: the fourth power of a lot.
          const lot = lotShare(cx, cy, seed + 2);
          const radius = 0.35 * (1 - splatter) + splatter * (0.08 + 1.5 * lot * lot * lot * lot);
          highest = Math.max(highest, radius - Math.sqrt(dx * dx + dy * dy));
        }
      return Math.max(highest, -1);
    }),
});
