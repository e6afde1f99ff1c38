import type { PhotoRow } from '@/server/services';
import { withOthers, withoutForeign } from './others';
import type { PhotoPages } from './photo-pages';

const row = (id: number, fields: Partial<PhotoRow> = {}) => ({ id, name: `p${id}`, review: 'open', handSubject: null, adjustment: null, data: {}, ...fields }) as PhotoRow; // prettier-ignore
const pagesOf = (...photos: PhotoRow[]): PhotoPages => ({ pages: [{ photos, total: photos.length }], pageParams: [0] });

test('others’ changes are shown, one’s own that wait over them; other photos stay the very same', () => {
  const [one, two] = [row(1, { data: { title: 'Mug' } }), row(2)];
  const theirs = row(1, { review: 'good', data: { title: 'Cup', price: '9' } });
  const taken = withOthers(pagesOf(one, two), [theirs], [{ id: 1, data: { title: 'Beaker' } }])!;
  const [first, second] = taken.pages.pages[0]!.photos;
  expect(first).toMatchObject({ review: 'good', data: { title: 'Beaker', price: '9' } });
  expect(second).toBe(two);
  expect(taken.foreign.get(1)).toEqual({ own: new Set(['review']), data: new Set(['price']) });
});

test('one that is new takes its place by its name; where not all are there, only the server can tell', () => {
  const taken = withOthers(pagesOf(row(1), row(3)), [row(2)], [])!;
  expect(taken.pages.pages[0]!.photos.map(({ id }) => id)).toEqual([1, 2, 3]);
  const some = { ...pagesOf(row(1)), pages: [{ photos: [row(1)], total: 9 }] };
  expect(withOthers(some, [row(2)], [])).toBeNull();
});

test('what can be undone is about one’s own changes alone', () => {
  const foreign = new Map([[1, { own: new Set(['review']), data: new Set(['price']) }]]);
  const step = [
    { id: 1, review: 'open' as const, adjustment: null, data: { title: 'a', price: 'b' } },
    { id: 2, review: 'open' as const },
  ];
  expect(withoutForeign(step, foreign)).toEqual([{ id: 1, adjustment: null, data: { title: 'a' } }, step[1]]);
  expect(withoutForeign([{ id: 1, review: 'good' }], foreign)).toBeNull();
});
