import { defineShape, shareParam } from '../definition';
import { polygonContour } from '../path';

/** Arrow to the right. Shares: head length of the box's width, head and shaft of its height. */
export const arrow = defineShape({
  kind: 'arrow',
  label: 'Arrow',
  also: ['pointer'],
  aspect: 1.6,
  params: { headLength: shareParam(0.05, 1, 0.45), headWidth: shareParam(0.1, 1, 1), shaft: shareParam(0.02, 1, 0.5) },
  controls: {
    headLength: { label: 'Head length', as: 'share' },
    headWidth: { label: 'Head width', as: 'share' },
    shaft: { label: 'Shaft', as: 'share' },
  },
  handles: {
    headLength: ({ headLength }, { width: w }) => [(0.5 - headLength) * w, 0],
    headWidth: ({ headLength, headWidth }, { width: w, height: h }) => [(0.5 - headLength) * w, (-headWidth * h) / 2],
    shaft: ({ headLength, headWidth, shaft }, { width: w, height: h }) => [
      (-headLength * w) / 2,
      (-Math.min(shaft, headWidth) * h) / 2,
    ],
  },
  outline: ({ headLength, headWidth, shaft }, { width: w, height: h }) => {
    const neck = w / 2 - headLength * w;
    const head = (headWidth * h) / 2;
    const bar = Math.min((shaft * h) / 2, head);
    const corners = [[neck, -bar], [neck, -head], [w / 2, 0], [neck, head], [neck, bar]] as const; // prettier-ignore
    const tail = [[-w / 2, bar], [-w / 2, -bar]] as const; // prettier-ignore
    // Without a shaft, or one as wide as the head, some corners fall together.
    const distinct = [...corners, ...(headLength < 1 ? tail : [])].filter(
      ([x, y], i, all) => i === 0 || x !== all[i - 1]![0] || y !== all[i - 1]![1],
    );
    return [polygonContour(distinct)];
  },
});
