import { z } from 'zod';
import { groundPaintSchema } from '../paint';
import { defineLayer, lengthSchema, number } from './layer';

/** Room round the frame. Without a paint of its own the backdrop goes on there. */
export const mat = defineLayer({
  schema: z.strictObject({
    top: lengthSchema.default(0),
    right: lengthSchema.default(0),
    bottom: lengthSchema.default(0),
    left: lengthSchema.default(0),
    paint: groundPaintSchema.nullable().default(null),
  }),
  lengths: ['top', 'right', 'bottom', 'left'],
  title: () => 'Mat',
  words: ({ top, right, bottom, left }, unit) => {
    const sides = [top, right, bottom, left];
    if (sides.every((side) => side === 0)) return 'none';
    if (top !== left || top !== right) return `${sides.map(number).join(', ')} ${unit}`;
    return `${number(top)} ${unit}${bottom === top ? '' : `, ${number(bottom)} below`}`;
  },
  controls: {
    top: { label: 'Above', as: 'length', slider: [0, 4] },
    right: { label: 'Right', as: 'length', slider: [0, 4] },
    bottom: { label: 'Below', as: 'length', slider: [0, 4] },
    left: { label: 'Left', as: 'length', slider: [0, 4] },
    paint: { label: 'Paint', as: 'paint' },
  },
});

export type Mat = z.infer<typeof mat.schema>;
