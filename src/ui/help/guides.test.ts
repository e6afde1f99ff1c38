/** The guides against the application: a button that was renamed, or a picture that went, is seen here. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { searchIn } from './search';

const GUIDES = 'docs/help';
const texts = readdirSync(GUIDES).map((name) => [name, readFileSync(join(GUIDES, name), 'utf8')] as const);

function sources(folder: string): string {
  return readdirSync(folder, { withFileTypes: true })
    .map((entry) => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return sources(path);
      return /(?<!\.test)\.tsx?$/.test(entry.name) ? readFileSync(path, 'utf8') : '';
    })
    .join('\n');
}

/** Outside of words, so that “face” is not found in “surface”. */
const stands = (words: string, text: string) =>
  new RegExp(`(?<![\\w…])${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\w…])`).test(text);

test.each(texts)('%s names only what stands on the screen', (_, text) => {
  // Forms of layers and findings are said in core.
  const all = ['src/ui', 'src/core/layers', 'src/core/checks'].map(sources).join('\n');
  const missing = [...text.matchAll(/\*\*([^*]+)\*\*/g)].map(([, words]) => words!).filter((words) => !stands(words, all)); // prettier-ignore
  expect(missing).toEqual([]);
});

test.each(texts)('%s begins with its title, and its pictures are there', (_, text) => {
  expect(text).toMatch(/^# \S/);
  for (const [, path] of text.matchAll(/!\[[^\]]+\]\(([^)]+)\)/g)) expect(existsSync(join(GUIDES, path!))).toBe(true);
});

test('guides and words are found by what stands in them, also mistyped; nothing gives all', () => {
  const guides = texts.map(([name, text]) => ({ id: name, title: text.split('\n')[0]!, body: text }));
  const search = searchIn(guides);
  expect(search('').guides).toHaveLength(guides.length);
  expect(search('hexagon').guides[0]!.id).toBe('3-equal-products.md');
  expect(search('undoo').guides.length).toBeGreaterThan(0);
  expect(search('never exported').words).toEqual(['ground']);
  expect(search('zzzz')).toEqual({ guides: [], words: [] });
});
