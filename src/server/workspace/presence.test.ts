import { come, listen, othersAt, type Other } from '.';
import type { Role } from './actor';

const at = (person: string | null, name: string, key = 1) => ({ key, actor: { person, name, role: 'artist' as Role } });
const names = (others: readonly Other[]) => others.map(({ name, isYou }) => (isYou ? `${name} (you)` : name)).sort();

test('each sees the others once, oneself only in another window; who goes is gone, and all are told', () => {
  const [mia, ben] = [at('1', 'Mia'), at('2', 'Ben')];
  let told = 0;
  const stop = listen(mia, 'batch 3', () => told++);
  const leave = [come(mia, 'batch 3', 'm1'), come(mia, 'batch 3', 'm2'), come(ben, 'batch 3', 'b1'), come(ben, 'batch 3', 'b2')]; // prettier-ignore
  come(at('4', 'Eve', 2), 'batch 3', 'e1');
  come(at('5', 'Ada'), 'batch 4', 'a1');
  expect(told).toBe(4);
  expect(names(othersAt(mia, 'batch 3', 'm1'))).toEqual(['Ben', 'Mia (you)']);
  expect(names(othersAt(ben, 'batch 3', 'b1'))).toEqual(['Ben (you)', 'Mia']);
  leave[2]!();
  expect(names(othersAt(mia, 'batch 3', 'm1'))).toEqual(['Ben', 'Mia (you)']);
  leave[3]!();
  leave[3]!();
  leave[1]!();
  expect([names(othersAt(mia, 'batch 3', 'm1')), told]).toEqual([[], 7]);
  stop();
});
