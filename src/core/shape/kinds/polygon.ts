import { z } from 'zod';
import { countParam, defineShape } from '../definition';
import { onEllipse, polygonContour, snap } from '../path';

/** Regular polygon with its corners on the box's ellipse: regular where the box is square. */
export const polygon = defineShape({
  kind: 'polygon',
  label: 'Polygon',
  also: ['corners', 'sides'],
  regular: true,
  params: {
    sides: countParam(3, 60, 6),
    up: z.enum(['corner', 'side']).default('corner'),
  },
  controls: {
    sides: { label: 'Sides', as: 'count' },
    up: { label: 'On top', as: 'choice', options: { corner: 'a corner', side: 'a side' } },
  },
  handles: {
    sides: ({ sides, up }, { width: w, height: h }) =>
      onEllipse(((up === 'side' ? 1 : 2) * Math.PI) / sides - Math.PI / 2, w / 2, h / 2),
  },
  outline: ({ sides, up }, { width, height }) => {
    const first = -Math.PI / 2 + (up === 'side' ? Math.PI / sides : 0);
    const corners = Array.from({ length: sides }, (_, i) => {
      const angle = first + (2 * Math.PI * i) / sides;
      return [snap((width / 2) * Math.cos(angle)), snap((height / 2) * Math.sin(angle))] as const;
    });
    return [polygonContour(corners)];
  },
});
