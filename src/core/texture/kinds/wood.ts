import { contrastParam, defineTexture, partParam } from '../definition';
import { noise, octaves } from '../noise';
import { tileOf } from '../tile';

/** Year rings to a tile. */
const RINGS = 9;

/** Year rings cut lengthwise, with fine pores. */
export const wood = defineTexture({
  kind: 'wood',
  label: 'Wood grain',
  params: { contrast: contrastParam(), waves: partParam(0.4) },
  labels: { contrast: 'Contrast', waves: 'Waves' },
  runs: true,
  size: 0.022,
  repeats: RINGS,
  tones: 'contrast',
  tile: ({ waves }, seed) =>
    tileOf(512, (u, v) => {
      const bent = v * RINGS + waves * 3 * octaves(u * 2, v * 3, 2, 3, 3, seed);
      const t = bent - Math.floor(bent);
      // Slowly darker towards the end of the year, then quickly light again.
      const year = t < 0.82 ? t / 0.82 : (1 - t) / 0.18;
      const pores = noise(u * 8, v * 160, 8, 160, seed + 4);
      return year * year * 0.7 + 0.45 * pores + 0.35 * octaves(u * 2, v * 12, 2, 12, 2, seed + 6);
    }),
});
