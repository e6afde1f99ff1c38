import type { HandSubject, Placed } from '../placement';
import { isDoubtful, isExample, type Finding } from '.';

const BOX = [0.2, 0.2, 0.4, 0.4] as [number, number, number, number];
const mask = 'f'.repeat(144);
const placed = (rule: string, isFound = true) => ({ rule, subject: isFound ? {} : null }) as Pick<Placed, 'rule' | 'subject'>; // prettier-ignore
const found = (...checks: string[]) => checks.map((check) => ({ check }) as Finding);

test('examples are subjects that somebody pointed at along their outline', () => {
  expect(isExample(null)).toBe(false);
  expect(isExample({ point: [0.5, 0.5] })).toBe(false);
  expect(isExample({ box: BOX })).toBe(false);
  expect(isExample({ box: BOX, mask })).toBe(true);
  expect(isExample({ box: BOX, mask, alike: 0.6 })).toBe(false);
});

test.each<[string, HandSubject | null, Pick<Placed, 'rule' | 'subject'>, Finding[], boolean]>([
  ['a sure one', null, placed('subject'), found('twin', 'small'), false],
  ['an unsure one', null, placed('subject'), found('small', 'unsure'), true],
  ['one that two looks see elsewhere', null, placed('subject'), found('apart'), true],
  ['none, where the rule suits each photo', null, placed('middle', false), [], true],
  ['the middle as the rule', null, placed('middle'), [], false],
  ['a face', null, placed('face'), found('unsure'), false],
  ['a point that is not set', null, placed('point', false), [], false],
  ['one by hand', { box: BOX, mask }, placed('subject'), found('unsure'), false],
  ['one like others that is still unsure', { box: BOX, mask, alike: 0.2 }, placed('subject'), found('unsure'), true],
  ['one like others that is sure', { box: BOX, mask, alike: 0.7 }, placed('subject'), [], false],
])('in doubt: %s', (_, subject, where, findings, expected) => {
  expect(isDoubtful(subject, where, findings)).toBe(expected);
});
