import { coverage } from './coverage';
import { sameRoom } from './room';
import { softCoverage } from './soft-coverage';
import type { Polygon } from '../shape';

const triangle = (size: number): Polygon[] => [[[1, 1], [size, 2], [2, size]]]; // prettier-ignore
const windows = [40, 90, 60].map((side) => ({ left: 0, top: 0, width: side, height: side }));

test.each([0, 1.5, 9])('masks made in the same memory are as if each had its own: blurred by %d', (sigma) => {
  const room = sameRoom();
  for (const window of windows)
    for (const size of [50, 20]) {
      const mask = softCoverage(triangle(size), window, sigma, null, room);
      expect(Buffer.from(mask.slice().buffer).equals(Buffer.from(softCoverage(triangle(size), window, sigma).buffer))).toBe(true); // prettier-ignore
    }
});

test('a mask holds until the next is made', () => {
  const room = sameRoom();
  const [first, second] = [room(100), coverage(triangle(8), { left: 0, top: 0, width: 10, height: 10 }, room)];
  expect(second.buffer).toBe(first.buffer);
  expect(room(5000)).toHaveLength(5000);
  expect(room(7)).toHaveLength(7);
});
