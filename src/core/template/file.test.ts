import { openOf, parseTemplate, templateText, type Template } from '.';

const rich = parseTemplate({
  wobrel: 1,
  name: 'Rich',
  shape: { kind: 'star', tips: 7 },
  slots: [{ name: 'a', shape: { kind: 'heart' }, borders: [{}] }],
  outputs: [{ size: { factor: 2 } }],
});

test('a file read again is the template, whatever order its fields were in', () => {
  const text = templateText(rich);
  expect(parseTemplate(JSON.parse(text))).toEqual(rich);
  const turned = Object.fromEntries(Object.entries(rich).reverse()) as unknown as Template;
  expect(templateText(turned)).toBe(text);
  expect(Object.keys(JSON.parse(text) as object).slice(0, 4)).toEqual(['$schema', 'wobrel', 'name', 'frame']);
});

test('pictures stand at its end', () => {
  const { pictures } = JSON.parse(templateText(rich, { abc: 'AAAA' })) as { pictures: unknown };
  expect(pictures).toEqual({ abc: 'AAAA' });
});

test('what batches may change comes along, and is read without what nobody knows', () => {
  const { open } = JSON.parse(templateText(rich, {}, ['captions', 'borders.paint'])) as { open: unknown };
  expect(openOf(open)).toEqual(['captions', 'borders.paint']);
  expect(openOf(['borders.glow', 'frame'])).toEqual(['frame']);
  expect(openOf(undefined)).toBeNull();
  expect(() => openOf('all')).toThrow('open: expected a list of parts and fields');
});
