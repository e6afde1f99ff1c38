import { defineCheck, percent, sharpnessFor } from './check';

/** How much softer than the limit: sharpness as a share of the batch's median (how steep edges are, see core/sight/figures.ts). */
export const blurred = defineCheck({
  id: 'blurred',
  label: 'Blurred',
  about: 'photo',
  compares: true,
  measure: ({ photo, batch, template }) =>
    photo.sight && batch.sharpness ? template.limits.sharpness - sharpnessFor(photo.sight) / batch.sharpness : null,
  limit: () => 0,
  brief: () => 'blurred',
  explain: (short, { template: { limits } }) =>
    `its sharpness is ${percent(limits.sharpness - short, limits.sharpness)} of the batch’s median, the limit is ${percent(limits.sharpness)}`,
  mend: () => 'take the photo again, or leave it out',
  repair: { words: 'leave it out', change: () => ({ review: 'out' }) },
});
