import { defineShape } from '../definition';
import { ellipseContour } from '../path';

/** Ellipse that touches all four sides of the box. */
export const ellipse = defineShape({
  kind: 'ellipse',
  label: 'Ellipse',
  also: ['oval'],
  aspect: 4 / 3,
  anyProportion: true,
  params: {},
  controls: {},
  handles: {},
  outline: (_, { width, height }) => [ellipseContour(width / 2, height / 2)],
});
