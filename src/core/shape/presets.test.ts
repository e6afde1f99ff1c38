import { CATALOGUE, isCalled } from './presets';
import { shapeSchema } from './schema';

const found = (wanted: string) => CATALOGUE.filter((entry) => isCalled(entry, wanted)).map(({ label }) => label);

test.each([
  ['hexagon', 'Hexagon'],
  ['triangle', 'Triangle'],
  ['square', 'Square'],
  ['pill', 'Pill'],
  ['badge', 'Badge'],
  ['rosette', 'Rosette'],
  ['bubble', 'Speech bubble'],
  ['rounded square', 'Rounded square'],
  ['oval', 'Oval'],
  ['Chat ', 'Speech bubble'],
  ['semicircle', 'Half round'],
])('people who look for “%s” find %s', (wanted, label) => {
  expect(found(wanted)).toContain(label);
});

test('the middle of a word finds nothing', () => {
  expect(found('agon')).toEqual([]);
});

test('every entry is a shape of its kind, under a name of its own', () => {
  expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length);
  for (const { kind, params, aspect } of CATALOGUE) {
    const box = { cx: 0, cy: 0, width: 100 * aspect, height: 100 };
    expect(shapeSchema.safeParse({ kind, box, ...params(Math.min(100, 100 * aspect)) }).success).toBe(true);
  }
});
