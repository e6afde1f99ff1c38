import { defineTexture, partParam, shareParam } from '../definition';
import { tileOf } from '../tile';

/** Stripes across: hard, or round as the strands of a rope. */
export const stripes = defineTexture({
  kind: 'stripes',
  label: 'Stripes',
  params: { share: shareParam(0.5), soft: partParam(0) },
  labels: { share: 'Covers', soft: 'Softness' },
  size: 0.03,
  repeats: 1,
  tones: null,
  tile: ({ share, soft }) =>
    tileOf(1024, (u) => {
      // Distance from the stripe's middle, half its width 1.
      const d = Math.min(u, 1 - u) / (share / 2);
      const hard = d <= 1 ? 1 : 0;
      // As much of it is left: a parabola half as wide again.
      const round = d < 1.5 ? 1 - (d * d) / 2.25 : 0;
      return hard * (1 - soft) + round * soft;
    }),
});
