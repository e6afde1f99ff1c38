import { doubtWords } from './alike-note';

test.each([
  [1, 2, false, '1 subject pointed at by hand; 2 of the others are in doubt.'],
  [3, 1, true, '3 subjects pointed at by hand; 1 of the others is still in doubt: point at one of them.'],
  [2, 0, true, '2 subjects pointed at by hand; none of the others is in doubt.'],
])('%d pointed at, %d in doubt, looked for before %s', (examples, doubtful, isAgain, words) => {
  expect(doubtWords(examples, doubtful, isAgain)).toBe(words);
});
