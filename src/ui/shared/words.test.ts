import { fileSize } from './words';

test.each([
  [0, '0 kB'],
  [1, '1 kB'],
  [1499, '1 kB'],
  [999_400, '999 kB'],
  [1_000_000, '1.0 MB'],
  [12_345_678, '12 MB'],
  [2_500_000_000, '2.5 GB'],
  [80_000_000_000, '80 GB'],
])('%i bytes are %s', (bytes, words) => expect(fileSize(bytes)).toBe(words));
