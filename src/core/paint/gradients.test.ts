/** Gradients by the definitions of CSS Images 3, and 4 for conic ones. */
import { linePaintSchema, type AreaPaint } from './paint';
import { fillPlaces, placesOf } from './places';
import { fadeRamp, flatRamp, RAMP_STEPS, rampOf } from './ramp';

const STOPS = [[0, '#000'], [1, '#fff']]; // prettier-ignore
const box = { left: 20, top: 10, width: 300, height: 120 };
const [right, bottom] = [box.left + box.width, box.top + box.height];
type Placed = Exclude<AreaPaint, string | { kind: 'contour' | 'picked' | 'texture' }>;

/** t at a place of the picture. */
function at(fields: object, x: number, y: number): number {
  const places = placesOf(linePaintSchema.parse({ stops: STOPS, ...fields }) as Placed, box);
  const out = new Float32Array(1);
  fillPlaces(places, x - 0.5, y - 0.5, 1, out);
  return out[0]!;
}

test('a linear gradient ends in the corners, whatever its angle: §3.1', () => {
  const corners = [[box.left, box.top], [right, box.top], [box.left, bottom], [right, bottom]] as const; // prettier-ignore
  for (const angle of [0, 30, 45, 90, 117, 180, 200, 270, 333]) {
    const places = corners.map(([x, y]) => at({ kind: 'linear', angle }, x, y));
    expect(Math.min(...places)).toBeCloseTo(0, 5);
    expect(Math.max(...places)).toBeCloseTo(1, 5);
  }
  expect(at({ kind: 'linear', angle: 90 }, box.left + 75, 50)).toBeCloseTo(0.25, 5);
  expect(at({ kind: 'linear' }, 50, box.top + 30)).toBeCloseTo(0.25, 5);
  expect(at({ kind: 'linear', angle: 0 }, 50, box.top + 30)).toBeCloseTo(0.75, 5);
});

test('a radial gradient ends where its extent says: §3.2.1', () => {
  const radial = (fields: object, x: number, y: number) => at({ kind: 'radial', ...fields }, x, y);
  const middle = [box.left + 150, box.top + 60] as const;
  expect(radial({}, ...middle)).toBe(0);
  // An ellipse through the corners, in the proportion of the sides.
  expect(radial({}, right, bottom)).toBeCloseTo(1, 5);
  expect(radial({}, right, middle[1])).toBeCloseTo(Math.SQRT1_2, 5);
  expect(radial({ extent: 'farthest-side' }, right, middle[1])).toBeCloseTo(1, 5);
  expect(radial({ extent: 'farthest-side' }, middle[0], bottom)).toBeCloseTo(1, 5);
  const circle = { ending: 'circle', at: [0.25, 0.5] };
  const [cx, cy] = [box.left + 75, middle[1]];
  expect(radial({ ...circle, extent: 'closest-side' }, cx, box.top)).toBeCloseTo(1, 5);
  expect(radial({ ...circle, extent: 'farthest-side' }, right, cy)).toBeCloseTo(1, 5);
  expect(radial({ ...circle, extent: 'closest-corner' }, box.left, box.top)).toBeCloseTo(1, 5);
  expect(radial({ ...circle, extent: 'farthest-corner' }, right, bottom)).toBeCloseTo(1, 5);
});

test('a conic gradient goes round from the top, clockwise: CSS Images 4 §3.3', () => {
  const [cx, cy] = [box.left + 150, box.top + 60];
  const conic = (x: number, y: number, from = 0) => at({ kind: 'conic', from }, cx + x, cy + y);
  expect([conic(10, 0), conic(0, 10), conic(-10, 0)].map((t) => Math.round(t * 1e4))).toEqual([2500, 5000, 7500]);
  expect(conic(10, 0, 45)).toBeCloseTo(0.125, 5);
});

const ramped = (ramp: Float32Array, t: number) =>
  [...ramp.subarray(Math.round(t * RAMP_STEPS) * 4, Math.round(t * RAMP_STEPS) * 4 + 4)].map((v) => Math.round(v * 1000) / 1000); // prettier-ignore

test('stops are mixed premultiplied, so that what is clear brings no colour in: §3.5.3', () => {
  const ramp = rampOf([[0, '#ff000000'], [1, '#0000ff']], 1); // prettier-ignore
  expect(ramped(ramp, 0.5)).toEqual([0, 0, 1, 0.5]);
  expect(ramped(rampOf([[0, '#ff0000'], [1, '#0000ff']], 0.5), 0.5)).toEqual([0.5, 0, 0.5, 0.5]); // prettier-ignore
});

test('before the first stop and behind the last one their colours hold; two in one place are a hard change; none stands before an earlier one', () => {
  const ramp = rampOf([[0.25, '#ff0000'], [0.5, '#00ff00'], [0.5, '#0000ff'], [0.1, '#ffffff']], 1); // prettier-ignore
  expect(ramped(ramp, 0)).toEqual([1, 0, 0, 1]);
  expect(ramped(ramp, 0.375)).toEqual([0.5, 0.5, 0, 1]);
  expect(ramped(ramp, 0.49)[1]).toBeGreaterThan(0.9);
  expect(ramped(ramp, 0.5)).toEqual([1, 1, 1, 1]);
});

test('one colour is a ramp of one place, a fade goes from nothing to it', () => {
  expect([...flatRamp('#ff000080', 0.5)].map((v) => Math.round(v * 1000))).toEqual([1000, 0, 0, 251]);
  expect(ramped(fadeRamp('#00ff00', 0.4), 0.5)).toEqual([0, 1, 0, 0.2]);
});
