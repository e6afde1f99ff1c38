import { defineCheck } from './check';

/** 1 where no slot takes a photo. */
export const astray = defineCheck({
  id: 'astray',
  label: 'Photo that no slot takes',
  about: 'photo',
  measure: ({ photo }) => (photo.slot === null ? 1 : 0),
  limit: () => 0,
  brief: () => 'no slot',
  explain: () => 'no slot takes this photo: its name fits none, or another photo has the place',
  mend: () => 'change its slot’s pattern of names, or leave the photo out',
  repair: { words: 'leave it out', change: () => ({ review: 'out' }) },
});
