import { contrastParam, defineTexture } from '../definition';
import { nearestPoint, noise } from '../noise';
import { tileOf } from '../tile';

const DENTS = 12;

/** Dents beside dents, as of a round hammer. */
export const hammered = defineTexture({
  kind: 'hammered',
  label: 'Hammered',
  params: { contrast: contrastParam() },
  labels: { contrast: 'Contrast' },
  size: 0.026,
  repeats: DENTS,
  tones: 'contrast',
  tile: (_, seed) =>
    tileOf(512, (u, v) => {
      const [x, y] = [u * DENTS, v * DENTS];
      const first = nearestPoint(x, y, DENTS, DENTS, seed);
      return first * first + 0.05 * noise(x * 4, y * 4, DENTS * 4, DENTS * 4, seed);
    }),
});
