import { parseTemplate, templateOutline } from '../template';
import { alphaLoss } from './alpha-loss';

const templateOf = (output: object, more: object = {}) =>
  parseTemplate({ wobrel: 1, name: 'T', outputs: [output], ...more });
const measured = (output: object, more?: object) => {
  const template = templateOf(output, more);
  return alphaLoss.measure({ output: template.outputs[0]!, template } as never);
};

test.each([
  [{}, 0],
  [{ format: 'webp', quality: 10 }, 0],
  [{ format: 'avif' }, 1],
  [{ format: 'avif', lossless: true }, 1],
  [{ colours: 256 }, 1],
  [{ format: 'gif', colours: 16 }, 0],
])('%j: %i', (output, value) => expect(measured(output)).toBe(value));

test('where nothing is clear nothing can be lost', () => {
  expect(measured({ format: 'avif' }, { backdrop: '#ffffff' })).toBe(0);
});

test('one click makes it exact', () => {
  for (const output of [{ format: 'avif' }, { colours: 16 }]) {
    const template = templateOf(output);
    const mended = alphaLoss.remake!.change(template, templateOutline(template));
    expect(alphaLoss.measure({ output: mended.outputs[0]!, template: mended } as never)).toBe(0);
  }
});
