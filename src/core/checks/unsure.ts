import { subjectOf } from '../placement';
import { defineCheck, percent } from './check';
import { looks, thing } from './rule-words';

/** How much the finder's confidence falls short of the limit. */
export const unsure = defineCheck({
  id: 'unsure',
  label: 'Not sure about the subject',
  about: 'photo',
  measure: ({ photo, template }) => {
    const { rule } = template.centring;
    const found = looks(rule) ? subjectOf(photo, template.centring) : null;
    return found ? template.limits.confidence - found.confidence : null;
  },
  limit: () => 0,
  brief: () => 'unsure',
  explain: (short, input) => {
    const { confidence } = input.template.limits;
    return `the ${thing(input)} was found with a confidence of ${percent(confidence - short, confidence)}, the limit is ${percent(confidence)}`;
  },
  mend: () => 'look at it on the easel, and point at the subject if it is wrong',
});
