import { defineCheck } from './check';
import { looks, thing } from './rule-words';

/** 1 where the rule looks for a subject and none was found. */
export const missing = defineCheck({
  id: 'missing',
  label: 'No subject found',
  about: 'photo',
  // Where the rule is left to each photo, its middle is one that suits.
  measure: ({ placement, template: { centring } }) =>
    looks(centring.rule) && centring.rule !== 'auto' && !placement.subject ? 1 : 0,
  limit: () => 0,
  brief: (_, input) => `no ${thing(input)}`,
  explain: (_, input) => `no ${thing(input)} was found; the photo’s middle is used instead`,
  mend: () => 'point at it on the easel',
});
