import { bandBend, bendOf, type Template } from '../template';
import { defineCheck, percent } from './check';

/** What pins bend, each with how far it could go. */
const bends = (template: Template) => [
  ...(template.edge.pins.length > 0 ? [{ what: 'the outline', ...bendOf(template) }] : []),
  ...template.borders.flatMap((border, i) =>
    border.on && border.pins.length > 0 ? [{ what: `border ${i + 1}`, ...bandBend(template, border) }] : [],
  ),
];

const least = (template: Template) => bends(template).reduce((a, b) => (b.share < a.share ? b : a));

/** How much of the way that its pins say the outline, or a border by itself, could not be bent. */
export const bent = defineCheck({
  id: 'bent',
  label: 'Outline bent less far than its pins say',
  about: 'output',
  measure: ({ template }) => (bends(template).length > 0 ? 1 - least(template).share : null),
  limit: () => 0,
  brief: () => 'bent less',
  explain: (short, { template }) => {
    const { what, crossing } = least(template);
    const [x, y] = crossing!;
    return `${what} is bent ${percent(1 - short)} of the way that its pins say: further, it would run across itself at ${Math.round(x)}, ${Math.round(y)} ${template.frame.unit}`;
  },
  mend: () => 'pull the pins less far, or take the one that crosses the outline out',
});
