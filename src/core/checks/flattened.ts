import { defineCheck } from './check';

/** 1 where the photo has transparent parts of its own, which are laid on white. */
export const flattened = defineCheck({
  id: 'flattened',
  label: 'Photo was partly transparent',
  about: 'photo',
  measure: ({ photo }) => (photo.hasAlpha ? 1 : 0),
  limit: () => 0,
  brief: () => 'was transparent',
  explain: () => 'the photo has transparent parts of its own; they are laid on white',
  mend: () => 'lay the photo on the ground you want before bringing it in',
});
