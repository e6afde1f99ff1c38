import type { PhotoRow } from '@/server/services';
import { PAGE, withArrived } from './photo-pages';

const photo = (id: number, name: string) => ({ id, name }) as PhotoRow;
const pagesOf = (photos: PhotoRow[], total = photos.length) => ({ pages: [{ photos, total }], pageParams: [0] });
const names = (data: ReturnType<typeof withArrived>) => data!.pages.map(({ photos }) => photos.map(({ name }) => name));

test('arrived photos come among the others by name, and by number under one name', () => {
  const known = [photo(3, 'b.jpg'), photo(1, 'd.jpg')];
  const data = withArrived(pagesOf(known), [photo(9, 'c.jpg'), photo(7, 'b.jpg'), photo(8, 'a.jpg')]);
  expect(data!.pages[0]!.photos.map(({ id }) => id)).toEqual([8, 3, 7, 9, 1]);
  expect(data!.pages[0]!.total).toBe(5);
  expect(data!.pages[0]!.photos[1]).toBe(known[0]);
});

test('numbers in names count as numbers', () => {
  const data = withArrived(pagesOf([photo(1, 'mug 2.jpg')]), [photo(2, 'mug 10.jpg'), photo(3, 'Mug 1.jpg')]);
  expect(names(data)).toEqual([['Mug 1.jpg', 'mug 2.jpg', 'mug 10.jpg']]);
});

test('one that is listed already is not listed twice', () => {
  expect(names(withArrived(pagesOf([photo(1, 'a.jpg')]), [photo(1, 'a.jpg')]))).toEqual([['a.jpg']]);
});

test('more than a page of them become two, each knowing how many there are', () => {
  const many = Array.from({ length: PAGE }, (_, i) => photo(i, `p${String(i).padStart(4, '0')}`));
  const data = withArrived(pagesOf(many), [photo(PAGE, 'a'), photo(PAGE + 1, 'z')]);
  expect(data!.pages.map(({ photos, total }) => [photos.length, total])).toEqual([[PAGE, PAGE + 2], [2, PAGE + 2]]); // prettier-ignore
  expect(data!.pageParams).toEqual([0, PAGE]);
  expect(data!.pages[1]!.photos.map(({ name }) => name)).toEqual(['p0499', 'z']);
});

test('an empty batch has one empty page', () => {
  expect(names(withArrived(pagesOf([]), []))).toEqual([[]]);
});

test('where only some pages are loaded the server has to be asked', () => {
  expect(withArrived(pagesOf([photo(1, 'a.jpg')], 700), [photo(2, 'b.jpg')])).toBeNull();
  expect(withArrived(undefined, [photo(2, 'b.jpg')])).toBeNull();
});
