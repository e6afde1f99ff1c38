/** @jest-environment jsdom */

import { until } from '../../core/testing/until';

/** The module as a page that has just been opened has it. */
function page(): typeof import('./expected') {
  let loaded: typeof import('./expected');
  jest.isolateModules(() => {
    loaded = require('./expected');
  });
  return loaded!;
}
const stored = () => Object.values({ ...localStorage }).map((text) => JSON.parse(text as string) as unknown);

/** A browser that knows which pages are there: those in `held`. */
const held = new Set<string>();
/** The page that another waits for has gone. */
let gone = () => {};
beforeEach(() => {
  localStorage.clear();
  held.clear();
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      request: async (name: string, whenHeld: () => Promise<unknown>) => {
        if (held.has(name)) await new Promise<void>((resolve) => (gone = resolve));
        held.add(name);
        // Most never end: they hold the lock for as long as the page is there.
        await whenHeld();
        held.delete(name);
      },
      query: async () => ({ held: [...held].map((name) => ({ name })) }),
    },
  });
});

test('names that were on their way when a page was left are told by the next, without those that had arrived', async () => {
  const first = page();
  first.noteExpected(7, ['a.jpg', 'b.jpg', 'b.jpg', 'c.jpg']);
  first.forgetExpected(7, 'a.jpg');
  first.forgetExpected(7, 'b.jpg');
  window.dispatchEvent(new Event('pagehide'));
  held.clear();
  expect(stored()).toEqual([{ 7: ['b.jpg', 'c.jpg'] }]);
  expect(await page().findLeft()).toEqual({ 7: ['b.jpg', 'c.jpg'] });
});

test('neither a page’s own transfers nor those of another that is still there were left behind', async () => {
  const [one, two] = [page(), page()];
  one.noteExpected(7, ['a.jpg']);
  two.noteExpected(7, ['b.jpg']);
  expect(await one.findLeft()).toEqual({});
  expect(await page().findLeft()).toEqual({});
  // Each has a list of its own: none writes over the other's.
  expect(stored()).toHaveLength(2);
});

test('what a page leaves behind that goes later is told then', async () => {
  page().noteExpected(7, ['a.jpg']);
  const other = page();
  expect(await other.findLeft()).toEqual({});
  held.clear();
  gone();
  await until(() => other.useLeft.getState().names[7]?.[0] === 'a.jpg');
});

test('a browser without locks still tells what is left', async () => {
  Object.defineProperty(navigator, 'locks', { configurable: true, value: undefined });
  page().noteExpected(7, ['a.jpg']);
  expect(await page().findLeft()).toEqual({ 7: ['a.jpg'] });
});

test('what is left of a batch can be forgotten, that of another stays; a broken list is none', async () => {
  const first = page();
  first.noteExpected(7, ['a.jpg']);
  first.noteExpected(8, ['b.jpg']);
  localStorage.setItem('wobrel.expected.broken', '{"7": 3');
  held.clear();
  const next = page();
  await next.forgetLeft(7);
  expect(await next.findLeft()).toEqual({ 8: ['b.jpg'] });
});

test('a list that is empty again is gone from the browser', () => {
  const { noteExpected, forgetExpected } = page();
  noteExpected(7, ['a.jpg']);
  forgetExpected(7, 'a.jpg');
  window.dispatchEvent(new Event('pagehide'));
  expect(stored()).toEqual([]);
});
