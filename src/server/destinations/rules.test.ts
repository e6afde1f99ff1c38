import { refusedBy } from './rules';

const FILE = { name: 'mug.png', type: 'image/png', bytes: 1000, width: 300, height: 200 };

test('without rules anything goes', () => expect(refusedBy({}, FILE)).toBeNull());

test.each([
  [{ formats: ['jpeg', 'webp'] }, 'png is not taken, only jpeg, webp'],
  [{ maxBytes: 999 }, '1 KB, at most 1 KB are taken'],
  [{ maxWidth: 299 }, '300 × 200 px, at most 299 × any height px are taken'],
  [{ maxWidth: 300, maxHeight: 199 }, '300 × 200 px, at most 300 × 199 px are taken'],
  [{ names: { characters: 'abc.' } }, 'names may not have “m”'],
  [{ names: { longest: 6 } }, 'the name has 7 characters, 6 are taken'],
])('%j: %s', (rules, why) => expect(refusedBy(rules, FILE)).toBe(why));

test('at the limit itself a file is taken; folders only where they are', () => {
  const rules = { formats: ['png'], maxBytes: 1000, maxWidth: 300, maxHeight: 200, names: { characters: 'abcdefghijklmnopqrstuvwxyz.', longest: 7 } }; // prettier-ignore
  expect(refusedBy(rules, FILE)).toBeNull();
  expect(refusedBy({ names: { folders: false } }, { ...FILE, name: 'a/mug.png' })).toMatch(/without folders/);
  expect(refusedBy({ names: { characters: 'amug.pn' } }, { ...FILE, name: 'a/mug.png' })).toBeNull();
});
