import { defineShape, shareParam } from '../definition';
import { ellipseContour, mapOutline, polygonContour, reversed, scaleThenMove } from '../path';

/** How far the corners are cut, and the hole between them. */
function holeOf({ cut, hole }: { readonly cut: number; readonly hole: number }, w: number, h: number) {
  const c = Math.min(cut * h, w / 2);
  const radius = Math.min((hole * h) / 2, c * 0.8);
  return { c, radius, x: -w / 2 + Math.max(c * 0.75, radius * 1.6) };
}

/** Tag: a panel whose left corners are cut off, with a punched hole between them; `cut` and `hole` are shares of the height. */
export const tag = defineShape({
  kind: 'tag',
  label: 'Tag',
  also: ['label', 'price'],
  anyProportion: true,
  aspect: 1.6,
  params: { cut: shareParam(0.05, 0.5, 0.3), hole: shareParam(0.02, 0.4, 0.14) },
  controls: { cut: { label: 'Cut corners', as: 'share' }, hole: { label: 'Hole', as: 'share' } },
  handles: {
    cut: ({ cut }, { width: w, height: h }) => [Math.min(cut * h, w / 2) - w / 2, -h / 2],
    hole: (params, { width: w, height: h }) => {
      const { x, radius } = holeOf(params, w, h);
      return [x, -radius];
    },
  },
  outline: ({ cut, hole }, { width: w, height: h }) => {
    const { c, radius, x } = holeOf({ cut, hole }, w, h);
    const panel = polygonContour([
      [-w / 2 + c, -h / 2],
      [w / 2, -h / 2],
      [w / 2, h / 2],
      [-w / 2 + c, h / 2],
      // A cut of half the height leaves a point.
      ...(cut < 0.5 ? ([[-w / 2, h / 2 - cut * h], [-w / 2, -h / 2 + cut * h]] as const) : ([[-w / 2, 0]] as const)), // prettier-ignore
    ]);
    return [panel, ...mapOutline([reversed(ellipseContour(radius, radius))], scaleThenMove(1, 1, x, 0))];
  },
});
