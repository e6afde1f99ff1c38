import { defineShape, shareParam } from '../definition';
import { polygonContour } from '../path';

/** Cross: two bars of the same breadth, `arm` of the box's shorter side. */
export const cross = defineShape({
  kind: 'cross',
  label: 'Cross',
  also: ['plus'],
  params: { arm: shareParam(0.05, 0.95, 0.36) },
  controls: { arm: { label: 'Arm', as: 'share' } },
  handles: { arm: ({ arm }, { width, height }) => [(arm * Math.min(width, height)) / 2, -height / 2] },
  outline: ({ arm }, { width, height }) => {
    const a = (arm * Math.min(width, height)) / 2;
    const [w, h] = [width / 2, height / 2];
    return [
      polygonContour([
        [-a, -h], [a, -h], [a, -a], [w, -a], [w, a], [a, a],
        [a, h], [-a, h], [-a, a], [-w, a], [-w, -a], [-a, -a],
      ]), // prettier-ignore
    ];
  },
});
