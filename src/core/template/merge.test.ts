import { collisionsOf, mergeTemplates } from './merge';
import { parseTemplate, type Template } from './template';

const base = parseTemplate({ wobrel: 1, name: 'T', borders: [{ width: 10 }], shadows: [{ y: 5 }] });
const border = (template: Template, fields: object): Template => ({
  ...template,
  borders: template.borders.map((b) => ({ ...b, ...fields })),
});

test('changes of different fields are both kept, also within one layer', () => {
  const mine = border({ ...base, backdrop: '#ffffff' }, { width: 20 });
  const theirs = border({ ...base, edge: { ...base.edge, rounding: 8 } }, { paint: '#111111' });
  const both = mergeTemplates(base, mine, theirs);
  expect(both).toEqual(border({ ...theirs, backdrop: '#ffffff' }, { width: 20 }));
  expect(parseTemplate(both)).toEqual(both);
});

test('where both changed the same, the other’s stands', () => {
  expect(mergeTemplates(base, border(base, { width: 20 }), border(base, { width: 30 })).borders[0]!.width).toBe(30);
});

test('a layer that one added and a change of another layer: the longer list stands, other changes stay', () => {
  const theirs = { ...base, borders: [...base.borders, base.borders[0]!] };
  const mine = { ...border(base, { width: 20 }), shadows: [] };
  const both = mergeTemplates(base, mine, theirs);
  expect([both.borders.length, both.shadows.length]).toEqual([2, 0]);
});

test('shapes of two kinds are never mixed', () => {
  const of = (shape: object) => parseTemplate({ wobrel: 1, name: 'T', shape });
  const before = of({ kind: 'star', tips: 5 });
  const merged = mergeTemplates(before, of({ kind: 'star', tips: 7 }), of({ kind: 'seal', lobes: 20 }));
  expect(merged.shape).toEqual(of({ kind: 'seal', lobes: 20 }).shape);
  expect(parseTemplate(merged)).toEqual(merged);
});

test('nothing of one’s own leaves the other’s as it is', () => {
  const theirs = border(base, { width: 30 });
  expect(mergeTemplates(base, base, theirs)).toEqual(theirs);
});

describe('where both changed the same', () => {
  const make = (fields: object) => parseTemplate({ wobrel: 1, name: 'T', ...fields });
  const border = { width: 4, paint: '#000000' };
  const base = make({ borders: [border], edge: { feather: 1 } });
  const mine = make({ borders: [{ ...border, width: 8, gap: 2 }], edge: { feather: 3 }, backdrop: '#ffffff' });
  const theirs = make({ borders: [{ ...border, width: 16 }], edge: { feather: 3 }, shadows: [{}] });

  test('each such field is told with its path; what both changed alike is none', () => {
    expect(collisionsOf(base, mine, theirs)).toEqual([{ at: 'borders[0].width', base: 4, mine: 8, theirs: 16 }]);
  });

  test('whoever is chosen stands, and all else comes together', () => {
    const kept = mergeTemplates(base, mine, theirs, () => 'mine');
    expect(kept).toMatchObject({ borders: [{ width: 8, gap: 2 }], edge: { feather: 3 }, backdrop: '#ffffff', shadows: [{}] }); // prettier-ignore
    expect(mergeTemplates(base, mine, theirs).borders).toMatchObject([{ width: 16, gap: 2 }]);
  });
});
