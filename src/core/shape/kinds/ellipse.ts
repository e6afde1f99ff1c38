import { defineShape } from '../definition';
import { ellipseContour } from '../path';

/** Ellipse that touches all four sides of the box. */
export const ellipse = defineShape({
  kind: 'ellipse',
  label: 'Ellipse',
  params: {},
  controls: {},
  handles: {},
  outline: (_, { width, height }) => [ellipseContour(width / 2, height / 2)],
});
