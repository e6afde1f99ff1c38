import { brokenLock, FIELD_GROUPS, parseTemplate, withLocksKept, type Template } from '.';

const template = (fields: object = {}): Template => parseTemplate({ wobrel: 1, name: 'T', ...fields });
const base = template({ borders: [{ width: 4 }] });
const next = template({ borders: [{ width: 9 }], edge: { feather: 3 }, backdrop: '#ffffff' });

test('every field of a template but its name and its form is in one group', () => {
  const grouped = Object.values(FIELD_GROUPS).flatMap(({ keys }) => [...keys]);
  expect([...grouped].sort()).toEqual(Object.keys(base).filter((key) => key !== 'name' && key !== 'wobrel').sort()); // prettier-ignore
});

test('what is locked stays, what is open changes', () => {
  expect(withLocksKept(['borders'], base, next)).toMatchObject({ borders: [{ width: 9 }], edge: { feather: 0 }, backdrop: null }); // prettier-ignore
  expect(withLocksKept(null, base, next)).toBe(next);
  expect(withLocksKept(['captions'], base, next)).toBe(base);
});

test('the first lock that is broken is named; what is like any that is allowed breaks none', () => {
  expect(brokenLock(['borders', 'backdrop'], next, [base])).toBe('edge');
  expect(brokenLock(['borders', 'backdrop', 'edge'], next, [base])).toBeNull();
  expect(brokenLock([], next, [base, next])).toBeNull();
  expect(brokenLock(null, next, [base])).toBeNull();
});
