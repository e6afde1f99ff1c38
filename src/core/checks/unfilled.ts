import { defineCheck } from './check';

/** How many slots of a group lack a photo; told of the group's first photo. */
export const unfilled = defineCheck({
  id: 'unfilled',
  label: 'Slot without a photo',
  about: 'photo',
  measure: ({ photo }) => photo.group?.missing.length ?? null,
  limit: () => 0,
  brief: (_, { photo }) => (photo.group!.isMade ? `no ${photo.group!.missing[0]}` : 'not made'),
  explain: (_, { photo }) => {
    const { missing, isMade } = photo.group!;
    return `no photo for ${missing.join(', ')}${isMade ? '' : '; the cutout is not made'}`;
  },
  mend: () => 'add the photo, or say in Slots what stands in',
});
