/** Templates to begin with. */
import { checker } from '../checks';
import { drawnNoise } from '../testing/drawn';
import { hasSlots, parseTemplate, STARTING_TEMPLATES } from '.';

const all = STARTING_TEMPLATES.map(({ id, document }) => [id, parseTemplate({ wobrel: 1, ...document })] as const);

test.each(all)('%s can be written and read again, and has a photo to show', (_, template) => {
  expect(parseTemplate(JSON.parse(JSON.stringify(template)))).toEqual(template);
  if (hasSlots(template)) return;
  const small = { ...template, captions: [], behind: [], outputs: [] };
  expect(drawnNoise(small, 120, 1, null).plate.photoWindow.width).toBeGreaterThan(20);
});

test('no two are called alike', () => {
  expect(new Set(all.map(([, { name }]) => name)).size).toBe(all.length);
  expect(new Set(all.map(([id]) => id)).size).toBe(all.length);
});

test('none has a finding about itself but that JPEG has no alpha', () => {
  const photo = { width: 4000, height: 4000, hasAlpha: false };
  const found = all.flatMap(([id, template]) =>
    checker(template)
      .check(photo)
      .filter(({ about, check }) => about === 'output' && check !== 'opaque')
      .map(({ message }) => `${id}: ${message}`),
  );
  expect(found).toEqual([]);
});
