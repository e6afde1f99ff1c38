import { defineCheck, percent } from './check';

/** Distance of the subject's centre from the wanted spot, as a share of the shape's longer side. */
export const spot = defineCheck({
  id: 'spot',
  label: 'Subject off its spot',
  about: 'photo',
  measure: ({ placement, template }) =>
    placement.subject && template.centring.rule !== 'middle' ? Math.hypot(...placement.subject.off) : null,
  limit: ({ template }) => template.limits.offSpot,
  brief: (share, { template }) => `${percent(share, template.limits.offSpot)} off`,
  explain: (share, { template, placement }) =>
    `the subject lies ${percent(share, template.limits.offSpot)} of the shape off its spot, the limit is ${percent(template.limits.offSpot)}${placement.used === 'shifted' ? '; the photo was moved so that it reaches the edge' : ''}`,
  mend: () => 'take the adjustment by hand back, or let the template enlarge or extend instead of shifting',
  repair: { words: 'put it back', change: ({ photo }) => (photo.adjustment ? { adjustment: null } : null) },
});
