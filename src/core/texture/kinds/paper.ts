import { contrastParam, defineTexture } from '../definition';
import { noise, octaves } from '../noise';
import { tileOf } from '../tile';

/** Fine grain on soft unevenness. */
export const paper = defineTexture({
  kind: 'paper',
  label: 'Paper',
  params: { contrast: contrastParam() },
  labels: { contrast: 'Contrast' },
  size: 0.012,
  repeats: 48,
  tones: 'contrast',
  tile: (_, seed) =>
    tileOf(
      512,
      (u, v) => octaves(u * 12, v * 12, 12, 12, 4, seed) + 0.35 * noise(u * 128, v * 128, 128, 128, seed + 5),
    ), // prettier-ignore,
});
