import fc from 'fast-check';
import { inNameOrder, nameKey } from './name-order';

const sorted = (...names: string[]) => inNameOrder(names, (name) => name);

test('numbers count as numbers, whatever zeros they begin with', () => {
  expect(sorted('mug 10.jpg', 'mug 9.jpg', 'mug 1.jpg', 'mug 010.jpg')).toEqual(['mug 1.jpg', 'mug 9.jpg', 'mug 010.jpg', 'mug 10.jpg']); // prettier-ignore
  expect(sorted('2-10', '10-1', '2-9')).toEqual(['2-9', '2-10', '10-1']);
  expect(sorted('0', '00', '1', '')).toEqual(['', '0', '00', '1']);
});

test('case and accents tell names apart only where nothing else does', () => {
  expect(sorted('b.jpg', 'B.JPG', 'a.jpg', 'Ärmel.jpg', 'arm.jpg', 'Zoe.jpg')).toEqual(['a.jpg', 'arm.jpg', 'Ärmel.jpg', 'B.JPG', 'b.jpg', 'Zoe.jpg']); // prettier-ignore
});

test('it is the order of Intl’s numeric collation wherever that goes by letters and digits alone', () => {
  const { compare } = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
  const part = fc.oneof(fc.constantFrom('a', 'b', 'Mug', 'é', 'z'), fc.nat(20_000).map(String));
  fc.assert(
    fc.property(fc.array(part, { maxLength: 6 }), fc.array(part, { maxLength: 6 }), (some, others) => {
      const [a, b] = [some.join(''), others.join('')];
      const [x, y] = [nameKey(a), nameKey(b)];
      expect(Math.sign(compare(a, b))).toBe(x < y ? -1 : x > y ? 1 : 0);
    }),
  );
});
