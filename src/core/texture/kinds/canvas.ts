import { contrastParam, defineTexture } from '../definition';
import { lotShare, noise } from '../noise';
import { tileOf } from '../tile';

/** Threads, an even number: over and under goes on at every side. */
const THREADS = 16;

/** Threads woven over and under each other, each a little thicker or thinner. */
export const canvas = defineTexture({
  kind: 'canvas',
  label: 'Canvas',
  params: { contrast: contrastParam() },
  labels: { contrast: 'Contrast' },
  size: 0.012,
  repeats: THREADS,
  tones: 'contrast',
  tile: (_, seed) =>
    tileOf(512, (u, v) => {
      const [x, y] = [u * THREADS, v * THREADS];
      const [column, row] = [Math.floor(x), Math.floor(y)];
      const [dx, dy] = [2 * (x - column) - 1, 2 * (y - row) - 1];
      const isOver = (column + row) % 2 === 0;
      // Across its thread a parabola; along it the thread dives below both neighbours.
      const [across, along] = isOver ? [dx, dy] : [dy, dx];
      const thread = isOver ? lotShare(column, 1, seed) : lotShare(row, 2, seed);
      const fibre = isOver ? noise(u * 128, v * 32, 128, 32, seed) : noise(u * 32, v * 128, 32, 128, seed + 3);
      return (1 - across * across) * (1 - 0.7 * along * along) + 0.25 * thread + 0.35 * fibre;
    }),
});
