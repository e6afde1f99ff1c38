import type { Template } from '../template';
import type { CheckDefinition } from './check';

/** One click about photos that have too few pixels: their files are as small as they are, instead of enlarging them. */
export const smallerFiles: NonNullable<CheckDefinition['remake']> = {
  words: 'smaller files instead',
  change: (template): Template => ({
    ...template,
    outputs: template.outputs.map((output) => (output.content === 'cutout' ? { ...output, enlarge: false } : output)),
  }),
};
