import { parseTemplate } from '@/core/template';
import { lacksDenser, nextOutput, outputWords, withDenser } from './outputs';

const of = (...outputs: object[]) => parseTemplate({ wobrel: 1, name: 'T', outputs });

test('a new output is never a copy of the last: first another format, then another size', () => {
  let template = of({ name: 'tile' });
  const added: string[] = [];
  for (let i = 0; i < 3; i++) {
    const next = nextOutput(template);
    added.push(`${next.name}: ${outputWords(next)}`);
    template = { ...template, outputs: [...template.outputs, next] };
  }
  expect(added).toEqual(['webp: 1080 px WebP', 'jpeg: 1080 px JPEG', 'jpeg-half: 540 px JPEG']);
  expect(parseTemplate(template)).toEqual(template);
});

test('a JPEG gets a colour behind it, and what follows it keeps none', () => {
  const jpeg = nextOutput(of({ name: 'a', format: 'png' }, { name: 'b', format: 'webp' }));
  expect(jpeg).toMatchObject({ format: 'jpeg', matte: '#ffffff' });
  expect(nextOutput(of({ name: 'b', format: 'jpeg' }))).toMatchObject({ format: 'png', matte: null });
});

describe('the same for denser screens', () => {
  const denser = (output: object, ...others: object[]) => {
    const template = of(output, ...others);
    const all = withDenser(template, template.outputs[0]!);
    expect(all.slice(0, template.outputs.length)).toEqual(template.outputs);
    return all.slice(template.outputs.length).map(({ name, width, size, file }) => [name, width, size, file]);
  };

  test.each([
    [
      { width: 300 },
      [
        ['tile@2x', 600, null],
        ['tile@3x', 900, null],
      ],
    ],
    [
      {},
      [
        ['tile@2x', 2160, { factor: 2 }],
        ['tile@3x', 3240, { factor: 3 }],
      ],
    ],
    [
      { size: { height: 100 } },
      [
        ['tile@2x', 200, { height: 200 }],
        ['tile@3x', 300, { height: 300 }],
      ],
    ],
    [
      { size: { width: 25.4, unit: 'mm', ppi: 300 } },
      [
        ['tile@2x', 600, { width: 25.4, unit: 'mm', ppi: 600 }],
        ['tile@3x', 900, { width: 25.4, unit: 'mm', ppi: 900 }],
      ],
    ],
  ])('%j', (output, wanted) => {
    expect(denser(output)).toEqual(wanted.map((one) => [...one, '{photo}-{output}']));
  });

  test('files are called after their density, those that are there or too large are left out', () => {
    expect(denser({ width: 90, file: '{photo}' }).map((one) => one[3])).toEqual(['{photo}@2x', '{photo}@3x']);
    expect(denser({ width: 90 }, { name: 'tile@2x' }).map(([name]) => name)).toEqual(['tile@3x']);
    expect(denser({ width: 4000 }).map(([name]) => name)).toEqual(['tile@2x']);
    expect(denser({ width: 9000 })).toEqual([]);
    const template = of({}, { name: 'tile@2x' });
    expect(lacksDenser(template.outputs, template.outputs[0]!)).toBe(true);
    const whole = withDenser(template, template.outputs[0]!);
    expect(lacksDenser(whole, template.outputs[0]!)).toBe(false);
  });
});
