import { growing, roomFor, sizedTo } from './growing';

test('what was written stays as there comes more, a little or a lot at a time', () => {
  const list = growing((length) => new Float32Array(length));
  const written: number[] = [];
  for (const count of [1, 3, 1020, 5, 9000, 2]) {
    const at = roomFor(list, count);
    expect(at).toBe(written.length);
    for (let i = 0; i < count; i++) {
      list.values[at + i] = at + i;
      written.push(at + i);
    }
  }
  expect([...sizedTo(list)]).toEqual(written);
});

test('of nothing written there is nothing', () => {
  expect(sizedTo(growing((length) => new Int32Array(length)))).toHaveLength(0);
});
