import { defineCheck } from './check';
import { isFilled } from './filled';

/** 1 where the output's format has no alpha although the template leaves the ground transparent. */
export const opaque = defineCheck({
  id: 'opaque',
  label: 'Output without transparency',
  about: 'output',
  measure: ({ output, template }) => (output.format === 'jpeg' && !isFilled(template) ? 1 : 0),
  limit: () => 0,
  brief: () => 'no transparency',
  explain: (_, { output }) =>
    `output ${output.name} is a JPEG, which has no transparency: the ground becomes ${output.matte}`,
  mend: ({ output }) => `choose PNG or WebP for output ${output.name}, a backdrop, or something behind`,
});
