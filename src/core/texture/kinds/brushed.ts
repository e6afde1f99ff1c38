import { contrastParam, defineTexture, partParam } from '../definition';
import { noise } from '../noise';
import { keptParts, mixedTile } from '../tile';

const SIDE = 512;

/** Broad streaks and fine ones. */
const streaksOf = keptParts(SIDE, 2, (u, v, seed, out) => {
  // Strokes are not quite straight.
  const y = v + 0.012 * noise(u * 3, v * 4, 3, 4, seed + 9);
  out[0] = noise(u * 2, y * 16, 2, 16, seed) + 0.6 * noise(u * 4, y * 40, 4, 40, seed + 1);
  out[1] = noise(u * 6, y * 128, 6, 128, seed + 2) + 0.7 * noise(u * 12, y * 192, 12, 192, seed + 3);
});

/** Strokes of a broad brush, one beside the other. */
export const brushed = defineTexture({
  kind: 'brushed',
  label: 'Brushed',
  params: { contrast: contrastParam(), streaks: partParam(0.5) },
  labels: { contrast: 'Contrast', streaks: 'Fine streaks' },
  runs: true,
  size: 0.02,
  repeats: 16,
  tones: 'contrast',
  tile: ({ streaks }, seed) =>
    mixedTile(SIDE, streaksOf(seed), (broad, fine) => broad * (1 - streaks) + fine * streaks),
});
