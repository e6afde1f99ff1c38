import { parseTemplate, withShapeMoved, type Moves } from '.';

const box = { cx: 300, cy: 400, width: 200, height: 400 };
const template = (fields: object = {}) =>
  parseTemplate({ wobrel: 1, name: 'T', frame: { width: 1000, height: 800 }, shape: { kind: 'ellipse', box }, centring: { at: [0.5, 0.25] }, ...fields }); // prettier-ignore

/** Where in the frame the spot lies. */
const spotOf = ({ shape, mode, frame, centring: { at } }: ReturnType<typeof template>) => {
  const { cx, cy, width, height } = mode === 'cutout' ? shape.box : { cx: frame.width / 2, cy: frame.height / 2, ...frame }; // prettier-ignore
  return [cx + (at[0] - 0.5) * width, cy + (at[1] - 0.5) * height].map((v) => Math.round(v * 1000) / 1000);
};

const moved = (moves: Moves, fields: object = {}, by = { cx: 340, cy: 370 }) => {
  const before = template(fields);
  return withShapeMoved(before, before, { ...before.shape, box: { ...before.shape.box, ...by } }, moves);
};

test.each([
  ['both', [340, 370], [340, 270]],
  ['shape', [340, 370], [300, 300]],
  ['photo', [300, 400], [340, 270]],
] as const)('%s: the shape’s middle and the spot in the frame', (moves, middle, spot) => {
  const { shape, ...rest } = moved(moves);
  expect([shape.box.cx, shape.box.cy]).toEqual(middle);
  expect(spotOf({ shape, ...rest })).toEqual(spot);
});

test('around a window the shape alone leaves the photo, and both go on together', () => {
  expect(spotOf(moved('shape', { mode: 'window' }))).toEqual([500, 200]);
  expect(spotOf(moved('both', { mode: 'window' }))).toEqual([540, 170]);
});

test('a shape that is made larger alone leaves the photo where it is', () => {
  const larger = moved('shape', {}, { cx: 300, cy: 400, width: 400, height: 500 } as never);
  expect(larger.shape.box.width).toBe(400);
  expect(spotOf(larger)).toEqual([300, 300]);
});

test('photos are moved no further than the shape reaches', () => {
  expect(moved('photo', {}, { cx: 900, cy: 0 }).centring.at).toEqual([1, 0]);
});

test('a drag goes by where it began', () => {
  const before = template();
  const to = (cx: number) => ({ ...before.shape, box: { ...box, angle: 0, mirror: false, cx } });
  const half = withShapeMoved(before, before, to(320), 'photo');
  expect(spotOf(withShapeMoved(half, before, to(340), 'photo'))).toEqual([340, 300]);
});
