import { bendOf } from '../template';
import { defineCheck, percent } from './check';

/** How much of the way that its pins say the outline could not be bent. */
export const bent = defineCheck({
  id: 'bent',
  label: 'Outline bent less far than its pins say',
  about: 'output',
  measure: ({ template }) => (template.edge.pins.length > 0 ? 1 - bendOf(template).share : null),
  limit: () => 0,
  brief: () => 'bent less',
  explain: (short, { template }) => {
    const [x, y] = bendOf(template).crossing!;
    return `the outline is bent ${percent(1 - short)} of the way that its pins say: further, it would run across itself at ${Math.round(x)}, ${Math.round(y)} ${template.frame.unit}`;
  },
  mend: () => 'pull the pins less far, or take the one that crosses the outline out',
});
