import { defineTexture, shareParam } from '../definition';
import { tileOf } from '../tile';

/** Halftone dots in rows, every second row moved by half a step. */
export const dots = defineTexture({
  kind: 'dots',
  label: 'Halftone dots',
  params: { share: shareParam(0.3) },
  labels: { share: 'Covers' },
  size: 0.03,
  repeats: 1,
  tones: 'share',
  tile: () =>
    tileOf(1024, (u, v) => {
      const [x, y] = [u < 0.5 ? u : 1 - u, v < 0.5 ? v : 1 - v];
      // From the corner, and from the middle: the nearer of both.
      return -Math.min(x * x + y * y, (0.5 - x) * (0.5 - x) + (0.5 - y) * (0.5 - y));
    }),
});
