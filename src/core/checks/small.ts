import { defineCheck } from './check';

/** The shape's width or height in output pixels over the photo's, whichever is worse: above 1 the photo is the smaller. */
export const small = defineCheck({
  id: 'small',
  label: 'Photo smaller than the output',
  about: 'photo',
  measure: ({ photo, output, template }) => {
    const k = output.width / template.frame.width;
    return Math.max((template.frame.width * k) / photo.width, (template.frame.height * k) / photo.height);
  },
  limit: () => 1,
  brief: () => 'photo too small',
  explain: (_, { photo, output, template }) => {
    const height = Math.round((output.width * template.frame.height) / template.frame.width);
    return `the photo has ${photo.width} × ${photo.height} pixels, output ${output.name} has ${output.width} × ${height}`;
  },
  mend: ({ output }) => `use a larger photo or make output ${output.name} smaller`,
});
