import { closingAdjustment } from '../placement';
import { defineCheck, percent } from './check';

/** Share of all that a feathered photo shows in that it does not reach, though it reaches all of the shape itself. */
export const fade = defineCheck({
  id: 'fade',
  label: 'Feather uncovers the photo’s border',
  about: 'photo',
  measure: ({ placement, template }) =>
    template.centring.gap === 'extend' || placement.gap > 0 ? null : placement.fadeGap,
  limit: () => 0,
  brief: () => 'border in the fade',
  explain: (share) =>
    `the photo’s own border shows in the feather: ${percent(share, 0)} of the fading shape has no photo`,
  mend: () => 'enlarge the photo, make the feather shorter or lay it inside',
  repair: {
    words: 'enlarge until it covers',
    change: ({ template, photo }) => ({ adjustment: closingAdjustment(template, photo) }),
  },
});
