import { z } from 'zod';
import { areaPaintSchema } from '../paint';
import { defineLayer, lengthSchema, number } from './layer';

const FORMS = {
  panel: 'panel',
  rounded: 'rounded panel',
  pill: 'pill',
  ellipse: 'ellipse',
  bubble: 'speech bubble',
  arrow: 'arrow',
  tag: 'tag',
  ticket: 'ticket',
  seal: 'seal',
} as const;
export type MarkForm = keyof typeof FORMS;

/** What a caption stands on: it grows with the words, so that each photo's fit in. Words on a circle have none. */
export const mark = defineLayer({
  schema: z.strictObject({
    form: z.enum(Object.keys(FORMS) as [MarkForm, ...MarkForm[]]).default('pill'),
    paint: areaPaintSchema.default('#f2c14e'),
    /** Between the letters, as high as capitals are, and where its form ends. */
    room: lengthSchema.default(16),
  }),
  lengths: ['room'],
  title: () => 'Mark',
  words: ({ form, room }, unit) => `${FORMS[form]}, ${number(room)} ${unit} of room`,
  controls: {
    form: { label: 'Form', as: 'select', options: FORMS },
    room: { label: 'Room', as: 'length', slider: [0, 0.6] },
    paint: { label: 'Paint', as: 'paint' },
  },
});
export type Mark = z.infer<typeof mark.schema>;
