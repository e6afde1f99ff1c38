import { defineShape, shareParam } from '../definition';
import { pen } from '../pen';

/** Heart: two lobes over a point; `dip` is how far the cleft comes down, as a share of the height. */
export const heart = defineShape({
  kind: 'heart',
  label: 'Heart',
  also: ['love'],
  params: { dip: shareParam(0.02, 0.45, 0.2), fullness: shareParam(0, 1, 0.5) },
  controls: { dip: { label: 'Cleft', as: 'share' }, fullness: { label: 'Fullness', as: 'share' } },
  handles: {
    dip: ({ dip }, { height: h }) => [0, (dip - 0.5) * h],
    fullness: ({ fullness }, { width: w, height: h }) => [(0.12 + 0.2 * fullness) * w, (0.3 + 0.08 * fullness) * h],
  },
  outline: ({ dip, fullness }, { width: w, height: h }) => {
    const cleft = -h / 2 + dip * h;
    // Where the sides are widest, and how far they bend before they run to the point.
    const widest = -h / 2 + 0.29 * h;
    const low = widest + (0.2 + 0.22 * fullness) * h;
    const in1 = (0.12 + 0.2 * fullness) * w;
    const below = h / 2 - (0.2 - 0.08 * fullness) * h;
    const lobe = 0.26 * w;
    return [
      pen(0, cleft)
        .curve(0.035 * w, cleft - 0.55 * dip * h, 0.12 * w, -h / 2, lobe, -h / 2)
        .curve(0.4 * w, -h / 2, w / 2, -h / 2 + 0.125 * h, w / 2, widest)
        .curve(w / 2, low, in1, below, 0, h / 2)
        .curve(-in1, below, -w / 2, low, -w / 2, widest)
        .curve(-w / 2, -h / 2 + 0.125 * h, -0.4 * w, -h / 2, -lobe, -h / 2)
        .curve(-0.12 * w, -h / 2, -0.035 * w, cleft - 0.55 * dip * h, 0, cleft)
        .close(),
    ];
  },
});
