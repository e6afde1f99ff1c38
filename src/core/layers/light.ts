import { z } from 'zod';
import { defineLayer, percent, shareSchema } from './layer';

/** The one light of a template, far away: all its reliefs and the shadows of its bands go by it. */
export const light = defineLayer({
  schema: z.strictObject({
    /** Where it comes from: 0 the top, 90 the right. */
    angle: z.number().min(-360).max(360).default(315),
    /** How high it stands above the picture: 90 straight above. */
    height: z.number().min(5).max(90).default(45),
    /** How much of all light comes from everywhere. */
    ambient: shareSchema.default(0.25),
  }),
  lengths: [],
  title: () => 'Light',
  words: ({ angle, height, ambient }) => `from ${angle}°, ${height}° high, ${percent(ambient)} from all sides`,
  controls: {
    angle: { label: 'Comes from', as: 'angle', slider: [0, 360] },
    height: { label: 'Stands at', as: 'angle', slider: [5, 90] },
    ambient: { label: 'From all sides', as: 'strength' },
  },
});

export type Light = z.infer<typeof light.schema>;
