import { scaleAt } from '../template';
import { defineCheck, type CheckInput } from './check';
import { smallerFiles } from './smaller-files';

/** The frame in pixels of an output. */
function frameIn({ output, template }: CheckInput) {
  const k = scaleAt(template, output.width);
  return { width: Math.round(template.frame.width * k), height: Math.round(template.frame.height * k) };
}

/** The frame's width or height in output pixels over the photo's, whichever is worse: above 1 the photo is the smaller. */
export const small = defineCheck({
  id: 'small',
  label: 'Smaller than the output',
  about: 'photo',
  measure: (input) => {
    // In a slot a photo fills a part of the output only: how far it is enlarged says enough.
    if (input.photo.slot !== undefined) return null;
    // A file that goes by its photo's pixels asks for no more than there are.
    if (!input.output.enlarge) return null;
    const { width, height } = frameIn(input);
    return Math.max(width / input.photo.width, height / input.photo.height);
  },
  limit: () => 1,
  brief: () => 'photo too small',
  explain: (_, input) => {
    const { photo, output } = input;
    const { width, height } = frameIn(input);
    return `the photo has ${photo.width} × ${photo.height} pixels, output ${output.name} has ${width} × ${height}`;
  },
  mend: () => 'use a larger photo, or let small photos make smaller files',
  remake: smallerFiles,
});
