import { contrastParam, defineTexture, partParam } from '../definition';
import { octaves } from '../noise';
import { keptParts, mixedTile } from '../tile';

const SIDE = 512;

/** Clouds, and how sharply they fold. */
const cloudsOf = keptParts(SIDE, 2, (u, v, seed, out) => {
  const bend = 0.13 * octaves(u * 3, v * 3, 3, 3, 3, seed + 11);
  const x = wrap(u + bend) * 5;
  const y = wrap(v - bend) * 5;
  out[0] = octaves(x, y, 5, 5, 4, seed);
  out[1] = 1 - Math.min(1, 4 * Math.abs(octaves(x, y, 5, 5, 3, seed + 3)));
});

const wrap = (v: number) => v - Math.floor(v);

/** Clouds with veins where they fold. */
export const marble = defineTexture({
  kind: 'marble',
  label: 'Marble',
  params: { contrast: contrastParam(), veins: partParam(0.6) },
  labels: { contrast: 'Contrast', veins: 'Veins' },
  size: 0.09,
  repeats: 5,
  tones: 'contrast',
  tile: ({ veins }, seed) =>
    mixedTile(SIDE, cloudsOf(seed), (cloud, fold) => cloud * (1 - veins * 0.6) - veins * fold * fold * fold),
});
