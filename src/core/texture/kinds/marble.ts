import { contrastParam, defineTexture, partParam } from '../definition';
import { octaves } from '../noise';
import { evened, tileOf } from '../tile';

/** Clouds with veins where they fold. */
export const marble = defineTexture({
  kind: 'marble',
  label: 'Marble',
  params: { contrast: contrastParam(), veins: partParam(0.6) },
  labels: { contrast: 'Contrast', veins: 'Veins' },
  size: 0.09,
  repeats: 5,
  tile: ({ contrast, veins }, seed) =>
    evened(
      tileOf(512, (u, v) => {
        const bend = 0.13 * octaves(u * 3, v * 3, 3, 3, 3, seed + 11);
        const x = wrap(u + bend) * 5;
        const y = wrap(v - bend) * 5;
        const cloud = octaves(x, y, 5, 5, 4, seed);
        const fold = 1 - Math.min(1, 4 * Math.abs(octaves(x, y, 5, 5, 3, seed + 3)));
        return cloud * (1 - veins * 0.6) - veins * fold * fold * fold;
      }),
      contrast,
    ),
});

const wrap = (v: number) => v - Math.floor(v);
