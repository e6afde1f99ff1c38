import { z } from 'zod';
import { linePaintSchema } from '../paint';
import { joinSchema } from '../shape';
import { cast } from './cast';
import { echo } from './echo';
import { defineLayer, lengthSchema, lockedSchema, number, onSchema, shareSchema } from './layer';
import { pinsSchema } from './pins';
import { relief } from './relief';
import { bandRough } from './rough';

/** A line along the outline. */
export const border = defineLayer({
  schema: z.strictObject({
    width: lengthSchema.default(16),
    align: z.enum(['inside', 'centre', 'outside']).default('inside'),
    /** Moves it away from the outline. */
    gap: lengthSchema.default(0),
    paint: linePaintSchema.default('#2f6f5e'),
    /** Lengths on, off, … along the line's middle, from its topmost point, clockwise. */
    dash: z.array(lengthSchema).min(1).max(16).nullable().default(null),
    dashCap: z.enum(['butt', 'round']).default('butt'),
    /** Stretched or shrunk so that a whole number of them goes round. */
    dashFit: z.boolean().default(true),
    join: joinSchema.default('round'),
    opacity: shareSchema.default(1),
    /** Of its own: it follows the outline as these bend it further, and lies on all borders without. */
    pins: pinsSchema,
    relief: relief.schema.nullable().default(null),
    rough: bandRough.schema.nullable().default(null),
    shadow: cast.schema.nullable().default(null),
    echo: echo.schema.nullable().default(null),
    locked: lockedSchema,
    on: onSchema,
  }),
  lengths: ['width', 'gap', 'dash'],
  parts: { relief, rough: bandRough, shadow: cast, echo },
  title: () => 'Border',
  words: ({ width, align, dash, pins, relief: stands, echo: copies }, unit) =>
    `${number(width)} ${unit} ${align}${dash ? (dash[0] === 0 ? ', dotted' : ', dashed') : ''}${pins.length > 0 ? ', bent' : ''}${stands ? ', relief' : ''}${copies ? `, ${copies.count} echoes` : ''}`,
  controls: {
    width: { label: 'Width', as: 'length', slider: [0, 1] },
    align: { label: 'Lies', as: 'choice', options: { inside: 'inside', centre: 'centre', outside: 'outside' } },
    paint: { label: 'Paint', as: 'paint', isLine: true, depth: ({ width }) => Math.max(width, 1) },
    dash: { label: 'Line', as: 'dashes' },
    gap: { label: 'Away by', as: 'length', slider: [0, 1] },
    opacity: { label: 'Strength', as: 'strength' },
    join: { label: 'Corners', as: 'choice', options: { round: 'round', miter: 'sharp', bevel: 'cut off' } },
  },
});

export type Border = z.infer<typeof border.schema>;
