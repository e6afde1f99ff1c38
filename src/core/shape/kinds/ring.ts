import { defineShape, shareParam } from '../definition';
import { ellipseContour, reversed } from '../path';

/** Ring: an ellipse with an elliptic hole; `thickness` is its band's share of the radius. */
export const ring = defineShape({
  kind: 'ring',
  label: 'Ring',
  also: ['band', 'hoop'],
  params: { thickness: shareParam(0.02, 0.98, 0.3) },
  controls: { thickness: { label: 'Thickness', as: 'share' } },
  handles: { thickness: ({ thickness }, { width: w }) => [((1 - thickness) * w) / 2, 0] },
  outline: ({ thickness }, { width, height }) => {
    const inner = 1 - thickness;
    return [ellipseContour(width / 2, height / 2), reversed(ellipseContour((width / 2) * inner, (height / 2) * inner))];
  },
});
