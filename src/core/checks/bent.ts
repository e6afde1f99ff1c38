import { bentBy } from '../template';
import { defineCheck, percent } from './check';

/** How much of the way that its pins say the outline could not be bent. */
export const bent = defineCheck({
  id: 'bent',
  label: 'Outline bent less far than its pins say',
  about: 'output',
  measure: ({ template }) => (template.edge.pins.length > 0 ? 1 - bentBy(template) : null),
  limit: () => 0,
  brief: () => 'bent less',
  explain: (short) =>
    `the outline is bent ${percent(1 - short)} of the way that its pins say: further, it would run across itself`,
  mend: () => 'pull the pins less far, or take the one that crosses the outline out',
});
