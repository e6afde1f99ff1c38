import { closingAdjustment } from '../placement';
import { defineCheck, percent } from './check';

/** Share of the shape's area that the photo does not reach, where nothing fills it. */
export const gap = defineCheck({
  id: 'gap',
  label: 'Photo does not reach the edge',
  about: 'photo',
  measure: ({ placement, template }) => (template.centring.gap === 'extend' ? null : placement.gap),
  limit: () => 0,
  brief: (share) => `gap ${percent(share, 0)}`,
  explain: (share) => `${percent(share, 0)} of the shape shows no photo`,
  mend: () => 'enlarge the photo, or let the template extend its ground',
  repair: {
    words: 'enlarge until it covers',
    change: ({ template, photo }) => ({ adjustment: closingAdjustment(template, photo) }),
  },
});
