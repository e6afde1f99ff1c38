import fc from 'fast-check';
import { groupsOf, readPattern, seated, type Filling } from '.';

const filling = (
  slots: readonly (string | [name: string, photo: string])[],
  by: 'order' | 'name',
  missing: Filling['fill']['missing'] = 'leave',
): Filling => ({
  slots: slots.map((slot) =>
    typeof slot === 'string' ? { name: slot, photo: null } : { name: slot[0], photo: slot[1] },
  ),
  fill: { by, missing, group: '', slot: '' },
});

const named = (names: readonly string[]) => names.map((name) => ({ name }));

/** Groups in words: `mug: mug-front.jpg, –`. */
function told(how: Filling, names: readonly string[]) {
  const { groups, strays } = groupsOf(how, named(names));
  return {
    groups: groups.map(({ name, seats }) => `${name}: ${seats.map((i) => (i === null ? '–' : names[i])).join(', ')}`),
    strays: strays.map((i) => names[i]),
  };
}

describe('by order', () => {
  test('photos fill the slots one after the other', () => {
    expect(told(filling(['a', 'b', 'c'], 'order'), ['1.jpg', '2.jpg', '3.jpg', '4.jpg'])).toEqual({
      groups: ['1: 1.jpg, 2.jpg, 3.jpg', '4: 4.jpg, –, –'],
      strays: [],
    });
  });
  test('nothing of nothing', () => {
    expect(groupsOf(filling(['a'], 'order'), [])).toEqual({ groups: [], strays: [] });
    expect(groupsOf(filling([], 'name'), named(['1.jpg']))).toEqual({ groups: [], strays: [] });
  });
});

describe('by name', () => {
  const three = filling([['front', '{product}-front'], ['side', '{product}-side'], 'detail'], 'name');

  test('what stands in the braces puts photos together, whatever their order, letter case and ending', () => {
    const names = ['Jug-Side.png', 'blue mug-front.jpg', 'blue mug-side.JPG', 'jug-front.jpeg', 'blue mug-detail.jpg'];
    expect(told(three, names)).toEqual({
      groups: ['Jug: jug-front.jpeg, Jug-Side.png, –', 'blue mug: blue mug-front.jpg, blue mug-side.JPG, blue mug-detail.jpg'], // prettier-ignore
      strays: [],
    });
  });

  test('a photo whose name fits none, and the second that wants a place, are strays', () => {
    const { groups, strays } = told(three, ['mug-front.jpg', 'mug-front.png', 'mug.jpg', '-side.jpg']);
    expect(groups).toEqual(['mug: mug-front.jpg, –, –']);
    expect(strays).toEqual(['mug-front.png', 'mug.jpg', '-side.jpg']);
  });

  test('the pattern that says more about a name has it', () => {
    const two = filling(
      [
        ['any', '{product}'],
        ['back', '{product}-back'],
      ],
      'name',
    );
    expect(told(two, ['mug-back.jpg', 'mug.jpg']).groups).toEqual(['mug: mug.jpg, mug-back.jpg']);
  });

  test('several fields in any place; accents written in two ways are one', () => {
    const two = filling(
      [
        ['a', '{sku}_{colour}_1'],
        ['b', '{sku}_{colour}_2'],
      ],
      'name',
    );
    expect(told(two, ['100_caf\u00e9_1.jpg', '100_cafe\u0301_2.jpg', '100_red_2.jpg']).groups).toEqual([
      '100-café: 100_café_1.jpg, 100_cafe\u0301_2.jpg',
      '100-red: –, 100_red_2.jpg',
    ]);
  });

  test.each([
    ['front', /braces/],
    ['{a}{b}-x', /touch/],
  ])('%s tells no groups apart', (pattern, why) => {
    expect(readPattern(pattern)).toMatch(why);
  });

  test('every photo is in one place or a stray, and no place is taken twice', () => {
    const name = fc.stringMatching(/^[ab-]{1,4}-(front|side|detail|x)\.(jpg|png)$/);
    fc.assert(
      fc.property(fc.uniqueArray(name, { maxLength: 30 }), (names) => {
        const { groups, strays } = groupsOf(three, named(names));
        const all = [...groups.flatMap(({ seats }) => seats.filter((seat) => seat !== null)), ...strays];
        expect([...all].sort((a, b) => a - b)).toEqual(names.map((_, i) => i));
      }),
    );
  });

  test('names made to take long take no longer than others', () => {
    const names = Array.from({ length: 2000 }, (_, i) => `${'-'.repeat(240)}${i}.jpg`);
    const slots = Array.from({ length: 24 }, (_, i): [string, string] => [`s${i}`, '{a}-{b}-{c}-{d}-x']);
    expect(groupsOf(filling(slots, 'name'), named(names)).strays).toHaveLength(2000);
  });
});

describe('where a photo is missing', () => {
  const names = ['mug-front.jpg', 'mug-side.jpg', 'jug-side.jpg'];
  const one = (missing: Filling['fill']['missing']) => groupsOf(filling(['front', 'side'], 'name', missing), named(names)).groups[1]!; // prettier-ignore

  test('nothing stands in, its first photo does, or the group is not made', () => {
    expect(one('leave')).toEqual({ name: 'jug', seats: [null, 2], missing: [0], isMade: true });
    expect(one('repeat')).toEqual({ name: 'jug', seats: [2, 2], missing: [0], isMade: true });
    expect(one('skip')).toEqual({ name: 'jug', seats: [null, 2], missing: [0], isMade: false });
  });
});

describe('photos that know their slots', () => {
  const photos = ['mug-front.jpg', 'mug-side.jpg', 'odd.jpg', 'jug-side.jpg'].map((name) => ({ name }));
  const how = filling(['front', 'side'], 'name', 'repeat');

  test('the first photo of each group leads it', () => {
    const all = seated(how, photos);
    expect(all.map(({ slot }) => slot)).toEqual([0, 1, null, 1]);
    expect(all.map(({ group }) => group?.name)).toEqual(['mug', undefined, undefined, 'jug']);
    expect(all[3]!.group!.seats.map((seat) => [seat!.name, seat!.slot])).toEqual([['jug-side.jpg', 0], ['jug-side.jpg', 1]]); // prettier-ignore
    expect(all[3]!.group!.missing).toEqual(['front']);
  });

  test('one that does not count takes no place', () => {
    const all = seated(how, photos, ({ name }) => name !== 'mug-front.jpg');
    expect(all[0]!.group).toBeUndefined();
    expect(all[1]!.group!.missing).toEqual(['front']);
  });

  test('what is as it was stays the same object', () => {
    const [before, again] = [seated(how, photos), seated(how, photos)];
    expect(again.every((one, i) => one === before[i])).toBe(true);
    const other = seated(how, [{ name: 'mug-front.jpg' }, ...photos.slice(1)]);
    expect(other.map((one, i) => one === before[i])).toEqual([false, true, true, true]);
    expect(other[0]!.group!.seats[1]).toBe(before[0]!.group!.seats[1]);
  });

  test('without slots all stay as they are', () => {
    expect(seated(filling([], 'order'), photos)).toBe(photos);
  });
});

describe('by fields of photo data', () => {
  const how: Filling = { ...filling(['Front', 'side'], 'order'), fill: { by: 'data', missing: 'leave', group: 'SKU', slot: 'view' } }; // prettier-ignore
  const photo = (name: string, sku: string, view: string) => ({ name, data: { sku, View: view } });
  const told = (photos: Parameters<typeof groupsOf>[1]) => {
    const { groups, strays } = groupsOf(how, photos);
    return { groups: groups.map(({ name, seats }) => `${name}: ${seats.join()}`), strays };
  };

  test('one field puts them together, the other says where each lies, whatever their letter case', () => {
    expect(told([photo('1', 'A 1', 'front'), photo('2', 'B', 'Side'), photo('3', 'a  1', 'SIDE')])).toEqual({ groups: ['A 1: 0,2', 'B: ,1'], strays: [] }); // prettier-ignore
  });

  test('one without a group, of no slot, or for a place that is taken is a stray', () => {
    const photos = [photo('1', 'A', 'front'), photo('2', '', 'front'), photo('3', 'A', 'top'), photo('4', 'A', 'front'), { name: '5' }]; // prettier-ignore
    expect(told(photos)).toEqual({ groups: ['A: 0,'], strays: [1, 2, 3, 4] });
  });

  test('a seated photo goes by the fields that there are, not by what else is kept of it', () => {
    const [one] = seated(how, [{ ...photo('1', 'A', 'front'), words: { data: { SKU: 'Z', view: 'side' } } }]);
    expect([one!.slot, one!.group!.name]).toEqual([1, 'Z']);
  });
});
