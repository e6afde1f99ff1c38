import { defineCheck } from './check';
import { looks, thing } from './rule-words';

/** How many subjects more than one were found. */
export const several = defineCheck({
  id: 'several',
  label: 'More than one subject',
  about: 'photo',
  measure: ({ placement, template }) =>
    looks(template.centring.rule) && placement.subject ? placement.subject.count - 1 : null,
  limit: () => 0,
  brief: (more) => `${more + 1} subjects`,
  explain: (more, input) => `${more + 1} ${thing(input)}s were found; the largest near the middle is used`,
  mend: () => 'point at the right one on the easel',
});
