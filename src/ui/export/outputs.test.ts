import { parseTemplate } from '@/core/template';
import { nextOutput, outputWords } from './outputs';

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
