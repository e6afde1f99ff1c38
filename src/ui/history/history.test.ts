import { createHistory } from './history';

test('steps of a part are worked out anew in both directions, others stay; one of which nothing is left goes', () => {
  const history = createHistory();
  const applied: unknown[] = [];
  history.takePart('number', (n: number) => applied.push(n));
  history.takePart('word', (word: string) => applied.push(word));
  history.record({ words: 'first', part: 'number', back: 1, forth: 2 });
  history.record({ words: 'a word', part: 'word', back: 'old', forth: 'new' });
  history.record({ words: 'gone', part: 'number', back: 0, forth: 0 });
  history.record({ words: 'last', part: 'number', back: 2, forth: 3 });
  history.undo();
  history.rebase('number', (n: number) => (n === 0 ? null : n + 10));
  history.redo();
  history.undo();
  history.undo();
  history.undo();
  expect(applied).toEqual([2, 13, 12, 'old', 11]);
});
