import { completeShape, fourCorners, outlineOf, shapeSchema } from '.';

const cornersOf = (shape: object) =>
  fourCorners(outlineOf(completeShape(shapeSchema.parse(shape), { width: 100, height: 100 })));
const box = { cx: 50, cy: 50, width: 60, height: 40 };

test('a rectangle gives its corners from the left top, clockwise', () => {
  expect(cornersOf({ kind: 'rectangle', box })).toEqual([[20, 30], [80, 30], [80, 70], [20, 70]]); // prettier-ignore
});

test('a drawn outline of four straight sides, whichever way it was drawn and closed', () => {
  const wanted = [[10, 12], [90, 20], [80, 95], [5, 60]]; // prettier-ignore
  for (const d of ['M10 12L90 20L80 95L5 60Z', 'M80 95L90 20L10 12L5 60L80 95Z'])
    expect(cornersOf({ kind: 'path', d })!.map((at) => at.map((v) => Math.round(v * 100) / 100))).toEqual(wanted);
});

test.each([
  ['a circle', { kind: 'circle', box }],
  ['round corners', { kind: 'rectangle', radii: [9, 9, 9, 9], box }],
  ['three sides', { kind: 'path', d: 'M0 0L50 0L0 50Z' }],
  ['two contours', { kind: 'path', d: 'M0 0H20V20H0ZM40 40H60V60H40Z' }],
])('%s: none', (_, shape) => expect(cornersOf(shape)).toBeNull());
