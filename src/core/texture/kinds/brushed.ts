import { contrastParam, defineTexture, partParam } from '../definition';
import { noise } from '../noise';
import { evened, tileOf } from '../tile';

/** Strokes of a broad brush, one beside the other. */
export const brushed = defineTexture({
  kind: 'brushed',
  label: 'Brushed',
  params: { contrast: contrastParam(), streaks: partParam(0.5) },
  labels: { contrast: 'Contrast', streaks: 'Fine streaks' },
  runs: true,
  size: 0.02,
  repeats: 16,
  tile: ({ contrast, streaks }, seed) =>
    evened(
      tileOf(512, (u, v) => {
        // Strokes are not quite straight.
        const y = v + 0.012 * noise(u * 3, v * 4, 3, 4, seed + 9);
        const broad = noise(u * 2, y * 16, 2, 16, seed) + 0.6 * noise(u * 4, y * 40, 4, 40, seed + 1);
        const fine = noise(u * 6, y * 128, 6, 128, seed + 2) + 0.7 * noise(u * 12, y * 192, 12, 192, seed + 3);
        return broad * (1 - streaks) + fine * streaks;
      }),
      contrast,
    ),
});
