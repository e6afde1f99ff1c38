import { defineCheck } from './check';
import { looks } from './rule-words';

/** 1 where looking at the photo failed, so that its subject, sharpness and light are not known. */
export const unseen = defineCheck({
  id: 'unseen',
  label: 'Could not be looked at',
  about: 'photo',
  measure: ({ photo }) => (photo.unseen ? 1 : 0),
  limit: () => 0,
  brief: () => 'not looked at',
  explain: (_, { template }) =>
    `the photo could not be looked at${looks(template.centring.rule) ? ', so its middle is centred' : ''}`,
  mend: () => 'point at its subject on the easel, or use another copy of the photo',
});
