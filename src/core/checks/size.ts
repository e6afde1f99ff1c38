import { UNADJUSTED, wantedSize } from '../placement';
import { defineCheck, percent, type CheckInput } from './check';

const wanted = ({ template, batch, placement }: CheckInput) =>
  wantedSize(template.centring.size, placement.rule) ?? batch.size;

/** Difference of the subject's size from the wanted one, or from the batch's median where none is wanted; as a share of it. */
export const size = defineCheck({
  id: 'size',
  label: 'Subject size off the others',
  about: 'photo',
  compares: true,
  measure: (input) => {
    const [want, { subject }] = [wanted(input), input.placement];
    if (!subject || !want || input.template.centring.rule === 'middle') return null;
    return Math.abs(subject.size / want - 1);
  },
  limit: ({ template }) => template.limits.offSize,
  brief: (share, { placement, ...input }) =>
    `${percent(share, input.template.limits.offSize)} too ${placement.subject!.size > wanted({ placement, ...input })! ? 'large' : 'small'}`,
  explain: (share, { placement, ...input }) => {
    const want = wanted({ placement, ...input })!;
    const why = placement.used === 'enlarged' ? '; the photo was enlarged so that it reaches the edge' : '';
    return `the subject is ${percent(placement.subject!.size)} of the shape, ${percent(share, input.template.limits.offSize)} away from ${percent(want)}; the limit is ${percent(input.template.limits.offSize)}${why}`;
  },
  mend: () => 'scale it to the size of the others',
  repair: {
    words: 'scale it to the others',
    change: (input) => {
      const [want, { subject }] = [wanted(input), input.placement];
      if (!subject || !want) return null;
      const before = input.photo.adjustment ?? UNADJUSTED;
      const k = want / subject.size;
      return { adjustment: { ...before, scale: before.scale * k, x: before.x * k, y: before.y * k } };
    },
  },
});
