/** The template that the bench measures with: a circle, a border and a soft shadow. */
import { parseTemplate, type Output, type Template } from '../src/core/template';

export const FORMATS = ['png', 'webp', 'jpeg'] as const;
export type BenchFormat = (typeof FORMATS)[number];

export const benchDocument = (format: BenchFormat) => ({
  wobrel: 1,
  name: 'Bench',
  borders: [{ width: 16, align: 'inside', paint: '#24594f' }],
  shadows: [{ x: 0, y: 12, blur: 24, opacity: 0.35 }],
  outputs: [{ name: 'tile', format, width: 1080 }],
});

/** A large PNG, a JPEG for mails, and a thumbnail. */
export const threeOutputs = () => ({
  ...benchDocument('png'),
  outputs: [
    { name: 'large', format: 'png', width: 1080 },
    { name: 'mail', format: 'jpeg', width: 600 },
    { name: 'small', format: 'png', width: 256 },
  ],
});

export function benchTemplate(format: BenchFormat): { template: Template; output: Output } {
  const template = parseTemplate(benchDocument(format));
  return { template, output: template.outputs[0]! };
}
