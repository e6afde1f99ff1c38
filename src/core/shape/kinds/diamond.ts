import { defineShape } from '../definition';
import { polygonContour } from '../path';

/** Diamond: its corners in the middle of the box's sides. */
export const diamond = defineShape({
  kind: 'diamond',
  label: 'Diamond',
  also: ['rhombus', 'lozenge'],
  anyProportion: true,
  params: {},
  controls: {},
  handles: {},
  outline: (_, { width: w, height: h }) => [polygonContour([[0, -h / 2], [w / 2, 0], [0, h / 2], [-w / 2, 0]])], // prettier-ignore
});
