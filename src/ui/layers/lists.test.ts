import { parseTemplate } from '@/core/template';
import { newLayer, nextSetName, newPart, setNames, setOf, withoutSet, withSet } from './lists';
import { LAYER_LISTS, tint, type LayerList } from '@/core/layers';
import { withSlots } from '../template/slot-lists';

const template = (fields: object) => parseTemplate({ wobrel: 1, name: 'T', ...fields });

describe('sets of layers', () => {
  const two = template({
    behind: [{ set: 'Ground' }],
    before: [{ set: 'Mark' }, { set: 'Mark' }, {}],
    sets: [{ name: 'Mark', opacity: 0.5 }, { name: 'gone' }],
  });

  test('their names are those that layers have, each once, and a new one is none of them', () => {
    expect(setNames(two)).toEqual(['Ground', 'Mark']);
    expect(nextSetName(two)).toBe('Set 3');
    expect(nextSetName(template({ before: [{ set: 'Set 2' }] }))).toBe('Set 3');
    expect(nextSetName(template({}))).toBe('Set 1');
  });

  test('one that is not told of is laid as it is; told of, those without layers are forgotten', () => {
    expect(setOf(two, 'Ground')).toEqual({ name: 'Ground', opacity: 1, blend: 'normal', on: true });
    const next = withSet(two, 'Ground', { blend: 'multiply' });
    expect(next.sets.map(({ name, opacity, blend }) => [name, opacity, blend])).toEqual([['Mark', 0.5, 'normal'], ['Ground', 1, 'multiply']]); // prettier-ignore
    expect(parseTemplate(next)).toEqual(next);
  });

  test('taken away, its layers stay, each by itself', () => {
    const next = withoutSet(two, 'Mark');
    expect(next.before.map(({ set }) => set)).toEqual([null, null, null]);
    expect(next.behind[0]!.set).toBe('Ground');
    expect(next.sets.map(({ name }) => name)).toEqual(['gone']);
  });
});

test('a tint of a layer begins so that it is seen; a new layer is what its list takes', () => {
  expect(newPart('tint', tint, template({}))).toMatchObject({ paint: '#00000080', blend: 'normal' });
  expect(LAYER_LISTS.before.schema.safeParse(newPart('none', LAYER_LISTS.before, template({}))).success).toBe(true);
});

test('whatever layer is added first, with slots or without, is one that the template takes', () => {
  const one = template({});
  const tiny = template({ shape: { kind: 'circle', box: { cx: 9, cy: 9, width: 0.01, height: 0.01 } } });
  const least = template({ frame: { width: 0.1, height: 0.1, unit: 'in', ppi: 300 } });
  for (const base of [one, withSlots(one, 3), withSlots(template({ mode: 'window' }), 2), tiny, least])
    for (const list of Object.keys(LAYER_LISTS) as LayerList[]) {
      const next = { ...base, [list]: [newLayer(list, base)] };
      expect(parseTemplate(next)[list]).toEqual(next[list]);
    }
});

test('in a frame of two inches new layers are as large in it as in one of pixels', () => {
  const inches = template({ frame: { width: 2, height: 2, unit: 'in', ppi: 300 } });
  const [small, large] = [inches, template({})].map((one) => newLayer('borders', one).width / one.frame.width);
  expect(Math.abs(small! / large! - 1)).toBeLessThan(0.04);
  const [first, second] = withSlots(inches, 4).slots.map(({ shape: { box } }) => box);
  expect(second!.cx - first!.cx - first!.width).toBeCloseTo(2 / 27, 3);
});
