import { defineCheck, percent } from './check';

/** Difference of mean brightness from the batch's median, 0…1. */
export const exposure = defineCheck({
  id: 'exposure',
  label: 'Too dark or too bright',
  about: 'photo',
  compares: true,
  measure: ({ photo, batch }) =>
    photo.sight && batch.brightness !== null ? Math.abs(photo.sight.brightness - batch.brightness) : null,
  limit: ({ template }) => template.limits.brightness,
  brief: (_, { photo, batch }) => (photo.sight!.brightness < batch.brightness! ? 'dark' : 'bright'),
  explain: (off, { photo, batch, template }) =>
    `its brightness of ${percent(photo.sight!.brightness)} is ${percent(off)} ${photo.sight!.brightness < batch.brightness! ? 'below' : 'above'} the batch’s median, the limit is ${percent(template.limits.brightness)}`,
  mend: () => 'correct the photo, or leave it out',
});
