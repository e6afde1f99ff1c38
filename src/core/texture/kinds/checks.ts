import { defineTexture, shareParam } from '../definition';
import { tileOf } from '../tile';

/** Squares of a board; with another share than half, broad and narrow ones in turn. The second tone covers 2·s·(1 − s). */
export const checks = defineTexture({
  kind: 'checks',
  label: 'Checks',
  params: { share: shareParam(0.5) },
  labels: { share: 'Broad ones' },
  size: 0.05,
  repeats: 1,
  tones: null,
  tile: ({ share }) => tileOf(1024, (u, v) => (u < share === v < share ? 0 : 1)),
});
