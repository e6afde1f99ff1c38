import { defineShape, shareParam } from '../definition';
import { polygonContour } from '../path';

/** Chevron to the right: a band of `thickness` (share of the width) that bends in the middle. */
export const chevron = defineShape({
  kind: 'chevron',
  label: 'Chevron',
  also: ['angle'],
  aspect: 0.9,
  params: { thickness: shareParam(0.05, 0.95, 0.5) },
  controls: { thickness: { label: 'Thickness', as: 'share' } },
  handles: { thickness: ({ thickness }, { width: w, height: h }) => [(thickness - 0.5) * w, -h / 2] },
  outline: ({ thickness }, { width: w, height: h }) => {
    const band = thickness * w;
    return [
      polygonContour([
        [-w / 2, -h / 2],
        [-w / 2 + band, -h / 2],
        [w / 2, 0],
        [-w / 2 + band, h / 2],
        [-w / 2, h / 2],
        [w / 2 - band, 0],
      ]),
    ];
  },
});
