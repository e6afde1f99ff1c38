import { z } from 'zod';
import { defineShape, shareParam } from '../definition';
import { pen } from '../pen';

/** Leaf: two bows between a tip on top and a tip, or a round end, below; `belly` is where it is widest. */
export const leaf = defineShape({
  kind: 'leaf',
  label: 'Leaf',
  also: ['petal'],
  aspect: 0.62,
  params: { belly: shareParam(0.2, 0.8, 0.5), end: z.enum(['pointed', 'round']).default('pointed') },
  controls: {
    belly: { label: 'Belly', as: 'share' },
    end: { label: 'Below', as: 'choice', options: { pointed: 'pointed', round: 'round' } },
  },
  handles: { belly: ({ belly }, { width: w, height: h }) => [w / 2, (belly - 0.5) * h] },
  outline: ({ belly, end }, { width: w, height: h }) => {
    const widest = -h / 2 + belly * h;
    const [up, down] = [belly * h, (1 - belly) * h];
    // A pointed end leaves the tip slantwise, a round one along the base.
    const [tipX, tipY] = [0.2 * w, -h / 2 + 0.22 * up];
    const [endX, endY] = end === 'round' ? [0.3 * w, h / 2] : [0.2 * w, h / 2 - 0.22 * down];
    return [
      pen(0, -h / 2)
        .curve(tipX, tipY, w / 2, widest - 0.45 * up, w / 2, widest)
        .curve(w / 2, widest + 0.45 * down, endX, endY, 0, h / 2)
        .curve(-endX, endY, -w / 2, widest + 0.45 * down, -w / 2, widest)
        .curve(-w / 2, widest - 0.45 * up, -tipX, tipY, 0, -h / 2)
        .close(),
    ];
  },
});
