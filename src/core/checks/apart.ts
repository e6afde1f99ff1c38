import { seenAgain, type PlacedAgain } from '../placement';
import { defineCheck, percent, type CheckInput } from './check';
import { thing } from './rule-words';

/** A difference in size is half as bad as one of place. */
const SIZE_COUNTS = 0.5;

const said = ({ photo, placement, template }: CheckInput) => seenAgain(photo, placement, template);

const worse = ({ apart }: PlacedAgain) => Math.max(apart.off, SIZE_COUNTS * apart.size);

/** How far the second look at a cutout is from what placed it, as a share of the shape; 1 where it saw nothing. */
export const apart = defineCheck({
  id: 'apart',
  label: 'Two looks disagree',
  about: 'photo',
  measure: (input) => {
    // A person has seen it since, or others that it is like.
    if (input.photo.handSubject) return null;
    const again = said(input);
    return again === 'unseen' ? 1 : again && worse(again);
  },
  limit: ({ template }) => template.limits.apart,
  brief: (share, { template }) => (share >= 1 ? 'not seen again' : `${percent(share, template.limits.apart)} apart`),
  explain: (_, input) => {
    const again = said(input);
    const limit = percent(input.template.limits.apart);
    if (!again || again === 'unseen') return `a second look found no ${thing(input)} where the first one did`;
    const { off, size } = again.apart;
    return `a second look has the ${thing(input)} ${percent(off, input.template.limits.apart)} of the shape elsewhere and ${percent(size, 2 * input.template.limits.apart)} of it larger or smaller; the limit is ${limit}, twice as much for the size`;
  },
  mend: () =>
    'look at it on the easel, where dots show what the second look saw, if anything, and point at the subject if the dashes are wrong',
});
