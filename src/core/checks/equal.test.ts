import { placer } from '../placement';
import { parseTemplate } from '../template';
import { unequalSizes } from './equal';

const template = parseTemplate({
  wobrel: 1,
  name: 'T',
  centring: { rule: 'subject', size: 0.4, gap: 'enlarge' },
});

/** A photo of 1200 × 900 whose subject is a box around a point, so wide. */
const photo = (x: number, side: number) => ({
  width: 1200,
  height: 900,
  sight: null,
  handSubject: {
    box: [x - side / 2400, 0.5 - side / 1800, side / 1200, side / 900] as [number, number, number, number],
  },
  adjustment: null,
});
const sizes = (t = template) => [photo(0.5, 300), photo(0.5, 500), photo(0.25, 400)].map((one) => placer(t)(one));

test('photos that had to be enlarged are counted, with by how much', () => {
  const placed = sizes();
  const found = unequalSizes(template, placed)!;
  const over = placed.map(({ subject }) => subject!.size / 0.4 - 1).filter((by) => by > 0.1);
  expect(over.length).toBeGreaterThan(0);
  expect(found).toMatchObject({ count: over.length, most: Math.max(...over), least: Math.min(...over) });
});

test.each(['continued', 'resized'] as const)('%s, all subjects are equal', (way) => {
  const remade = unequalSizes(template, sizes())![way];
  const made = sizes(remade).map(({ subject }) => subject!.size);
  for (const size of made) expect(size).toBeCloseTo(remade.centring.size as number, 3);
  expect(unequalSizes(remade, sizes(remade))).toBeNull();
});

test('where no size is wanted, or gaps are closed otherwise, nothing is unequal by it', () => {
  const other = { ...template, centring: { ...template.centring, gap: 'extend' } } as typeof template;
  expect(unequalSizes(other, sizes(other))).toBeNull();
  expect(unequalSizes({ ...template, centring: { ...template.centring, size: null } }, sizes())).toBeNull();
});
