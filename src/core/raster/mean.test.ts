import { createMean } from '.';

test('the mean of pixels goes by how opaque they are, and is as opaque as they are in the mean', () => {
  const mean = createMean();
  mean.add([200, 0, 0, 255, 10, 20, 30, 0]);
  mean.add([0, 100, 0, 85, 90, 90, 90, 0]);
  expect(mean.count()).toBe(2);
  // A red one that is opaque and a green one of a third: three parts of red, one of green.
  expect([...mean.pixels()]).toEqual([150, 25, 0, 170, 0, 0, 0, 0]);
});

test('of many that are alike it is each of them', () => {
  const mean = createMean();
  for (let i = 0; i < 1000; i++) mean.add([12, 34, 56, 78]);
  expect([...mean.pixels()]).toEqual([12, 34, 56, 78]);
});
