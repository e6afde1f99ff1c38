import { defineCheck } from './check';

/** 1 where another photo of the batch looks the same. */
export const twin = defineCheck({
  id: 'twin',
  label: 'Looks like another photo',
  about: 'photo',
  measure: ({ photo }) => (photo.twin ? 1 : 0),
  limit: () => 0,
  brief: () => 'double',
  explain: (_, { photo }) => `it looks like ${photo.twin!.name} (${photo.twin!.bits} of 64 bits differ)`,
  mend: () => 'leave one of them out',
  repair: { words: 'leave it out', change: () => ({ review: 'out' }) },
});
