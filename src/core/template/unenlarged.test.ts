import { parseTemplate, unenlarged } from '.';

const template = parseTemplate({
  wobrel: 1,
  name: 'Small',
  frame: { width: 500, height: 250 },
  outputs: [{ width: 1000, enlarge: false }, { width: 1000 }, { width: 1000, enlarge: false, content: 'framing' }],
});
const [smaller, enlarged, framing] = template.outputs;
const widthOf = (scales: number[]) => unenlarged(template, smaller!, scales).width;

test('a file is as wide as its photo’s own pixels ask for, at most as wide as said', () => {
  // 1 frame unit a photo pixel is two of the output’s.
  expect(widthOf([1])).toBe(500);
  expect(widthOf([0.5])).toBe(1000);
  expect(widthOf([0.1])).toBe(1000);
  expect(widthOf([3])).toBe(166);
});

test('of several photos the one with the fewest says it; none, or what has none, leaves it', () => {
  expect(widthOf([0.2, 0.7, 2])).toBe(250);
  expect(widthOf([])).toBe(1000);
  expect(widthOf([1e9])).toBe(1);
  expect(unenlarged(template, enlarged!, [4])).toBe(enlarged);
  expect(unenlarged(template, framing!, [4])).toBe(framing);
});
