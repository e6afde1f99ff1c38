import { defineTexture, shareParam } from '../definition';
import { tileOf } from '../tile';

/** Rows of half rounds over each other, drawn as lines. */
export const scallops = defineTexture({
  kind: 'scallops',
  label: 'Scallops',
  params: { share: shareParam(0.16) },
  labels: { share: 'Line covers' },
  size: 0.06,
  repeats: 1,
  tones: 'share',
  tile: () =>
    tileOf(1024, (u, v) => {
      // Two rows to a tile; the upper one of two hides the one below it where it reaches.
      for (let row = -1; row <= 3; row++) {
        const top = row / 2;
        const shift = row % 2 === 0 ? 0.5 : 0;
        const near = u - shift - Math.round(u - shift);
        const d = Math.sqrt(near * near + (v - top) * (v - top));
        if (v >= top && d <= 0.5) return -(0.5 - d);
      }
      return -0.5;
    }),
});
