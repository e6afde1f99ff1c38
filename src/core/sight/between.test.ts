import { passing, sharpStart, sidesBetween } from './between';

const size = { width: 48, height: 40 };
const PIXELS = size.width * size.height;

type Box = readonly [left: number, top: number, right: number, bottom: number];

/** How much of each pixel a box covers. */
function covered([l, t, r, b]: Box): Float32Array {
  const within = (at: number, from: number, to: number) => Math.max(0, Math.min(at + 1, to) - Math.max(at, from));
  const shares = new Float32Array(PIXELS);
  for (let i = 0; i < PIXELS; i++) shares[i] = within(i % size.width, l, r) * within(Math.floor(i / size.width), t, b);
  return shares;
}

const times = (values: Float32Array, by: number) => values.map((v) => v * by);
const NOTHING = new Float32Array(PIXELS);

/** The pixels of which a box covers more than some, and their own box. */
function partOf(shares: Float32Array, more: number) {
  const pixels = [...shares.keys()].filter((i) => shares[i]! > more);
  const [xs, ys] = [pixels.map((i) => i % size.width), pixels.map((i) => Math.floor(i / size.width))];
  const box: [number, number, number, number] = [Math.min(...xs), Math.min(...ys), Math.max(...xs) + 1, Math.max(...ys) + 1]; // prettier-ignore
  return { pixels, box };
}

const far = (told: readonly number[], box: Box) => Math.max(...told.map((v, k) => Math.abs(v - box[k]!)));

const soft: Box = [10.3, 8.85, 33.6, 30.1];

describe('the sides of a box that covers pixels in part', () => {
  const shares = covered(soft);
  const part = partOf(shares, 0.04);

  test('are told by lightness to a fiftieth of a pixel, however its colour runs out', () => {
    const run = shares.map((v, i) => 20 * Math.max(v, 0.5 * (shares[i - 2] ?? 0), 0.5 * (shares[i + 2] ?? 0)));
    const start = sharpStart({ unshaded: run, lighter: times(shares, -40), seen: run }, 0.5);
    expect(far(part.box, soft)).toBeGreaterThan(0.5);
    expect(far(sidesBetween(part, size, start), soft)).toBeLessThan(0.02);
  });

  test('and by colour where it is as light as the ground', () => {
    const start = sharpStart({ unshaded: times(shares, 20), lighter: NOTHING, seen: NOTHING }, 0.5);
    expect(far(sidesBetween(part, size, start), soft)).toBeLessThan(0.02);
  });

  test('are those of its pixels where it is hardly unlike the ground', () => {
    const start = sharpStart({ unshaded: times(shares, 1.9), lighter: NOTHING, seen: NOTHING }, 0.5);
    expect(sidesBetween(part, size, start)).toEqual(part.box);
  });
});

describe('whole pixels stay where', () => {
  const whole: Box = [10, 9, 34, 30];
  const shares = covered(whole);
  const part = partOf(shares, 0.5);

  test('light falls off towards the rim', () => {
    // Half as unlike the ground at the rim as four pixels further in.
    const round = shares.map((v, i) => {
      const x = i % size.width;
      const y = Math.floor(i / size.width);
      return 20 * v * Math.min(1, 0.5 + 0.125 * Math.min(x - 10, 33 - x, y - 9, 29 - y));
    });
    const start = sharpStart({ unshaded: round, lighter: round, seen: round }, 0.5);
    expect(sidesBetween(part, size, start)).toEqual(part.box);
  });

  test('a shadow lies beside them', () => {
    const shadow = covered([0, 0, 48, 40]).map((v, i) => (shares[i]! > 0 ? -40 : -12 * v));
    const start = sharpStart({ unshaded: NOTHING, lighter: shadow, seen: shadow }, 0.5);
    expect(sidesBetween(part, size, start)).toEqual(part.box);
  });

  test('nothing would be left: a thing of one pixel keeps half of it', () => {
    const speck = partOf(covered([20, 15, 21, 16]), 0.5);
    const [l, t, r, b] = sidesBetween(speck, size, () => 0.9);
    expect([r - l, b - t]).toEqual([0.5, 0.5]);
  });

  test('they are the picture’s own rim', () => {
    const all = covered([0, 0, 48, 40]);
    const start = sharpStart({ unshaded: times(all, 20), lighter: times(all, 20), seen: all }, 0.5);
    expect(sidesBetween(partOf(all, 0.5), size, start)).toEqual([0, 0, 48, 40]);
  });
});

test('where values pass a limit, between the middles of two pixels', () => {
  // A ramp five pixels wide around each side.
  const values = new Float32Array(PIXELS);
  for (let i = 0; i < PIXELS; i++) {
    const [x, y] = [(i % size.width) + 0.5, Math.floor(i / size.width) + 0.5];
    const inside = Math.min(x - soft[0], y - soft[1], soft[2] - x, soft[3] - y);
    values[i] = Math.min(1, Math.max(0, 0.5 + inside / 5));
  }
  const part = partOf(values, 0.5);
  expect(far(sidesBetween(part, size, passing(values, 0.5)), soft)).toBeLessThan(0.001);
});
