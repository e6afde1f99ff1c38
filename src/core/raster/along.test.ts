import type { Polygon } from '../shape';
import { alongField, dashField } from './along';

const N = 200;
const window = { left: 0, top: 0, width: N, height: N };
const [MIDDLE, R] = [100, 80];
const circle: Polygon = Array.from({ length: 720 }, (_, i) => {
  const angle = (2 * Math.PI * i) / 720;
  return [MIDDLE + R * Math.cos(angle), MIDDLE + R * Math.sin(angle)];
});
const at = (field: Uint16Array, x: number, y: number) => field[Math.floor(y) * N + Math.floor(x)]! / 65535;

test.each([
  ['as drawn', circle],
  ['the other way round', [...circle].reverse()],
])('%s: along a circle is the angle from its top, clockwise', (_, outline) => {
  const field = alongField({ outline: [outline], reach: 10 }, window);
  for (const turn of [0.1, 0.25, 0.4, 0.5, 0.75, 0.9]) {
    const angle = turn * 2 * Math.PI;
    expect(at(field, MIDDLE + R * Math.sin(angle), MIDDLE - R * Math.cos(angle))).toBeCloseTo(turn, 1.8);
  }
});

/** Stretches that are covered, on a walk round the circle. */
function walk(field: Uint16Array, radius = R): { count: number; share: number } {
  const steps = 7200;
  const on = Array.from({ length: steps }, (_, i) => {
    const angle = (2 * Math.PI * (i + 0.5)) / steps;
    return at(field, MIDDLE + radius * Math.sin(angle), MIDDLE - radius * Math.cos(angle));
  });
  const count = on.filter((v, i) => v > 0.5 && on[(i + steps - 1) % steps]! <= 0.5).length;
  return { count, share: on.reduce((sum, v) => sum + v, 0) / steps };
}
const LINE = { outline: [circle], reach: 8 };
const dashes = { lengths: [12, 8], cap: 'butt', fit: true, width: 10 } as const;

test('a whole number of dashes goes round, in their share of the perimeter', () => {
  // 2π · 80 / 20 = 25.1: 25 of them.
  const { count, share } = walk(dashField(LINE, dashes, window));
  expect(count).toBe(25);
  expect(share).toBeCloseTo(0.6, 2);
});

test('not fitted they keep their length, and the last one is cut where the outline ends', () => {
  const { count, share } = walk(dashField(LINE, { ...dashes, lengths: [60, 40], fit: false }, window));
  // Five whole turns of the pattern and 2.65 px of a sixth, which joins the first.
  expect(count).toBe(5);
  expect(share).toBeCloseTo((5 * 60 + 2.65) / (2 * Math.PI * R), 2);
});

test('an odd number of lengths is taken twice', () => {
  // 10 on, 10 off: as if written twice.
  expect(walk(dashField(LINE, { ...dashes, lengths: [10] }, window)).share).toBeCloseTo(0.5, 2);
});

test.each([3, 0.7, 0.2, 0.05, 1e-4, 1e-272, 5e-324])(
  'dashes of %d px cover their share, too small to be seen or not',
  (length) => {
    const field = dashField(LINE, { ...dashes, lengths: [length] }, window);
    expect(walk(field).share).toBeCloseTo(0.5, 2);
    if (length < 0.5) for (const [x, y] of [[20.5, 100.5], [100.5, 179.5], [156, 157]] as const) expect(Math.abs(at(field, x, y) - 0.5)).toBeLessThan(0.1); // prettier-ignore
    // Dots so near to each other are a whole line as wide as they are.
    if (length < 0.2) expect(walk(dashField(LINE, { ...dashes, lengths: [0, length], cap: 'round' }, window)).share).toBeCloseTo(1, 2); // prettier-ignore
  },
);

test('round caps reach beyond the dash by half the width in its middle, and not at its rim', () => {
  const butt = walk(dashField(LINE, { ...dashes, lengths: [20, 30] }, window)).share;
  const round = dashField(LINE, { ...dashes, lengths: [20, 30], cap: 'round' }, window);
  const period = (2 * Math.PI * R) / 10;
  expect(walk(round).share - butt).toBeCloseTo(10 / period, 1.7);
  expect(walk(round, R + 4.5).share - butt).toBeLessThan(0.5 * (10 / period));
  // Dots.
  expect(walk(dashField(LINE, { ...dashes, lengths: [0, 25], cap: 'round' }, window)).count).toBe(20);
});
