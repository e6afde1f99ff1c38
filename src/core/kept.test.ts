import { kept } from './kept';

/** Says what was made anew for keys asked for one after the other. */
function madeOf(of: ReturnType<typeof kept<string | null>>, keys: string): string {
  let made = '';
  for (const key of keys) of(key, () => ((made += key), key));
  return made;
}

test('the last ones used are kept, and no more', () => {
  const two = kept<string | null>(2);
  expect(madeOf(two, 'aab')).toBe('ab');
  expect(madeOf(two, 'acab')).toBe('cb');
});

test('what comes to nothing is kept like anything else', () => {
  const one = kept<string | null>(1);
  const make = jest.fn(() => null);
  expect([one('a', make), one('a', make)]).toEqual([null, null]);
  expect(make).toHaveBeenCalledTimes(1);
});

test('more are kept while they weigh little, and so many however heavy they are', () => {
  const light = kept<string | null>(2, 10, () => 1);
  expect(madeOf(light, 'abcdefghijabcdefghij')).toBe('abcdefghij');
  expect(madeOf(light, 'ka')).toBe('ka');
  const heavy = kept<string | null>(2, 10, () => 1000);
  expect(madeOf(heavy, 'abab')).toBe('ab');
  expect(madeOf(heavy, 'cbb')).toBe('c');
});
