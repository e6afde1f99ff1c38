import { bodyOf } from './body';

const SIDE = 200;

/** Places within a shape, and their box. */
function drawn(isIn: (x: number, y: number) => boolean) {
  const pixels: number[] = [];
  let [l, t, r, b] = [SIDE, SIDE, 0, 0];
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) {
      if (!isIn(x + 0.5, y + 0.5)) continue;
      pixels.push(y * SIDE + x);
      [l, t, r, b] = [Math.min(l, x), Math.min(t, y), Math.max(r, x + 1), Math.max(b, y + 1)];
    }
  const body = bodyOf(pixels, [l, t, r, b], SIDE);
  return [l + body[0] * (r - l), t + body[1] * (b - t), l + (body[0] + body[2]) * (r - l), t + (body[1] + body[3]) * (b - t)]; // prettier-ignore
}

const disc = (cx: number, cy: number, radius: number) => (x: number, y: number) => Math.hypot(x - cx, y - cy) <= radius;
const box = (l: number, t: number, r: number, b: number) => (x: number, y: number) => x > l && x < r && y > t && y < b;
type Shape = ReturnType<typeof disc>;
const either = (...shapes: Shape[]) => (x: number, y: number) => shapes.some((shape) => shape(x, y)); // prettier-ignore
const without = (shape: Shape, hole: Shape) => (x: number, y: number) => shape(x, y) && !hole(x, y);

test.each<[string, Shape, readonly number[]]>([
  ['a box', box(40, 50, 140, 150), [40, 50, 140, 150]],
  ['a disc', disc(100, 100, 60), [40, 40, 160, 160]],
  ['a box with a ring for a handle', either(box(40, 50, 140, 150), without(disc(140, 100, 35), disc(140, 100, 24))), [40, 50, 140, 150]],
  ['a disc on two straps', either(disc(100, 120, 60), box(60, 10, 68, 120), box(132, 10, 140, 120)), [40, 60, 160, 180]],
  ['a bottle with a neck a third as wide', either(box(70, 80, 130, 190), box(90, 20, 110, 80)), [70, 20, 130, 190]],
  ['a rod, thin all over', box(95, 10, 103, 190), [95, 10, 103, 190]],
  ['a ring, thin all over', without(disc(100, 100, 60), disc(100, 100, 52)), [40, 40, 160, 160]],
])('the body of %s', (_, shape, wanted) => {
  const body = drawn(shape);
  // Squares that cut into what is round leave a fiftieth of it.
  wanted.forEach((side, k) => expect(Math.abs(body[k]! - side)).toBeLessThanOrEqual(4));
}); // prettier-ignore

test('specks and scratches in it are no gaps between bodies', () => {
  const speckled = without(box(40, 40, 160, 160), (x, y) => Math.floor(x) % 13 === 0 && Math.floor(y) % 5 === 0);
  expect(drawn(speckled)).toEqual([40, 40, 160, 160]);
});
