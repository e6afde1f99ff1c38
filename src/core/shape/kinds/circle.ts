import { defineShape } from '../definition';
import { ellipseContour } from '../path';

/** Circle: always round, its diameter is the box's shorter side. */
export const circle = defineShape({
  kind: 'circle',
  label: 'Circle',
  also: ['round', 'disc', 'dot'],
  regular: true,
  params: {},
  controls: {},
  handles: {},
  outline: (_, { width, height }) => {
    const radius = Math.min(width, height) / 2;
    return [ellipseContour(radius, radius)];
  },
});
