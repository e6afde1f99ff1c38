import { brokenLock, FIELD_GROUPS, lockableFields, openWords, parseTemplate, withLocksKept, type Template } from '.';

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

describe('single fields', () => {
  const captions = [{ text: 'one', size: 20 }, { text: 'two', size: 30 }]; // prettier-ignore
  const from = template({ captions, borders: [{ width: 4, paint: '#ff0000' }] });
  const open = ['captions.text', 'borders.paint', 'filters.sepia'];

  test('what is open of a locked part changes, the rest stays', () => {
    const to = template({
      captions: [{ text: 'uno', size: 99 }, { text: 'due', size: 30 }],
      borders: [{ width: 9, paint: '#00ff00' }],
      filters: { sepia: 0.5, contrast: 2 },
    }); // prettier-ignore
    const kept = withLocksKept(open, from, to);
    expect(kept.captions.map(({ text, size }) => [text, size])).toEqual([['uno', 20], ['due', 30]]); // prettier-ignore
    expect(kept).toMatchObject({ borders: [{ width: 4, paint: '#00ff00' }], filters: { sepia: 0.5, contrast: 1 } });
    expect(brokenLock(open, kept, [from])).toBeNull();
    expect(brokenLock(open, to, [from])).toBe('colours');
    expect(brokenLock([...open, 'colours', 'borders'], to, [from])).toBe('captions');
  });

  test('no layer comes or goes by a field of it', () => {
    const to = template({ captions: [...captions, { text: 'three' }] });
    expect(withLocksKept(open, from, { ...from, captions: to.captions })).toBe(from);
    expect(brokenLock(open, { ...from, captions: to.captions }, [from])).toBe('captions');
    expect(brokenLock(['shadows', 'reflection.gap'], { ...from, borders: [] }, [from])).toBe('borders');
  });

  test('slots’ own layers follow', () => {
    const slots = (paint: string, width: number) => ({ slots: [{ name: 'a', shape: { kind: 'circle' }, borders: [{ paint, width }] }] }); // prettier-ignore
    const [own, other] = [template(slots('#ff0000', 4)), template(slots('#0000ff', 7))];
    expect(withLocksKept(open, own, other).slots[0]!.borders).toMatchObject([{ paint: '#0000ff', width: 4 }]);
    expect(brokenLock(open, template(slots('#0000ff', 4)), [own])).toBeNull();
    expect(brokenLock(open, other, [own])).toBe('shape');
  });

  test('every field that can be opened is one of the document', () => {
    const whole = template({
      reflection: {},
      ...Object.fromEntries(['behind', 'before', 'tints', 'borders', 'shadows', 'captions'].map((list) => [list, [{}]])), // prettier-ignore
    }) as unknown as Record<string, object | object[]>;
    const fields = Object.keys(FIELD_GROUPS).flatMap((group) => lockableFields(group as keyof typeof FIELD_GROUPS));
    expect(fields.length).toBeGreaterThan(50);
    for (const { part, key } of fields) expect(Object.keys([whole[part]!].flat()[0]!)).toContain(key);
    expect(openWords(['captions', 'borders.paint', 'reflection.gap'])).toBe('captions, borders: paint, shadows: reflection: below by'); // prettier-ignore
    expect(openWords([])).toBe('nothing');
  });
});
