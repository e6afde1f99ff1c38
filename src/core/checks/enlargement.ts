import { enlargement as enlargementOf } from '../placement';
import { scaleAt } from '../template';
import { apartFrom, defineCheck } from './check';
import { smallerFiles } from './smaller-files';

/** Output pixels per photo pixel: above 1 the export makes pixels up. The limit is the template's. */
export const enlargement = defineCheck({
  id: 'enlargement',
  label: 'Enlarged above the limit',
  about: 'photo',
  measure: ({ placement, output, template }) => enlargementOf(placement, scaleAt(template, output.width)),
  limit: ({ template }) => template.centring.maxEnlarge,
  brief: (value, { template }) => `enlarged ${apartFrom(value, template.centring.maxEnlarge, 1)}×`,
  explain: (value, { output, template }) =>
    `enlarged ${apartFrom(value, template.centring.maxEnlarge, 2)} times for output ${output.name}, the limit is ${template.centring.maxEnlarge}`,
  mend: () => 'use a larger photo, let small photos make smaller files, or raise the limit in the template',
  remake: smallerFiles,
});
