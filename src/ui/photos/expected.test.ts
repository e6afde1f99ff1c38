/** @jest-environment jsdom */

/** The module as a page that has just been opened has it. */
function page(): typeof import('./expected') {
  let loaded: typeof import('./expected');
  jest.isolateModules(() => {
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    loaded = require('./expected');
  });
  return loaded!;
}
const kept = () => JSON.parse(localStorage.getItem('wobrel.expected')!).state.value;

beforeEach(() => localStorage.clear());

test('names that were on their way when a page was left are told by the next, without those that had arrived', () => {
  const first = page();
  first.noteExpected(7, ['a.jpg', 'b.jpg', 'b.jpg', 'c.jpg']);
  first.forgetExpected(7, 'a.jpg');
  first.forgetExpected(7, 'b.jpg');
  window.dispatchEvent(new Event('pagehide'));
  expect(kept()).toEqual({ 7: ['b.jpg', 'c.jpg'] });
  expect(page().leftBehind(7)).toEqual(['b.jpg', 'c.jpg']);
});

test('a page tells of none of its own transfers', () => {
  const { noteExpected, leftBehind } = page();
  noteExpected(7, ['a.jpg']);
  expect(leftBehind(7)).toEqual([]);
});

test('a list that is cleared is gone', () => {
  const { noteExpected, forgetAllExpected } = page();
  noteExpected(7, ['a.jpg']);
  noteExpected(8, ['b.jpg']);
  forgetAllExpected(7);
  expect(kept()).toEqual({ 8: ['b.jpg'] });
});
