import type { Output } from '../template';
import { defineCheck } from './check';
import { isFilled } from './filled';

/**
 * How an output changes transparency, which others keep to the last step; null where it does not.
 * Of AVIF: the encoder notes the range of its alpha so that Chromium reads it up to 20 of 255 off
 * (measured once by hand); with loss it is not exact by itself.
 */
function lossOf({ format, colours }: Output): string | null {
  if (format === 'avif') return 'an AVIF, whose rims some browsers show harder than they are';
  return format === 'png' && colours !== null ? `a PNG with at most ${colours} colours, rims among them` : null;
}

/** 1 where rims of one template are not the same for every photo, or not in every program, any more. */
export const alphaLoss = defineCheck({
  id: 'alpha-loss',
  label: 'Transparency not exact',
  about: 'output',
  measure: ({ output, template }) => (lossOf(output) === null || isFilled(template) ? 0 : 1),
  limit: () => 0,
  brief: () => 'rims not exact',
  explain: (_, { output }) => `output ${output.name} is ${lossOf(output)!}`,
  mend: ({ output }) => `choose WebP, or a PNG with all colours, for output ${output.name}, or a backdrop`,
  remake: {
    words: 'make it exact',
    change: (template) => ({
      ...template,
      outputs: template.outputs.map((output): Output => {
        if (lossOf(output) === null) return output;
        return { ...output, format: output.format === 'avif' ? 'webp' : output.format, colours: null };
      }),
    }),
  },
});
