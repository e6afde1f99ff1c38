/** Photos around a window: the mask turned round. */
import { drawnNoise, squareTemplate } from '../testing/drawn';
import { compile } from './compile';
import { compose } from './compose';

const SIZE = 240;
const MIDDLE = SIZE / 2;
const R = 80;
const circle = { kind: 'circle', box: { cx: MIDDLE, cy: MIDDLE, width: 2 * R, height: 2 * R } };

const drawn = (fields: object, width = SIZE) => drawnNoise(squareTemplate(SIZE, { shape: circle, ...fields }), width);
const both = (fields: object, width = SIZE) =>
  (['cutout', 'window'] as const).map((mode) => drawn({ ...fields, mode }, width).out);

/** The largest distance of the two alphas' sum from 255. */
function farFromWhole([cutout, window]: Uint8ClampedArray[]): number {
  let most = 0;
  for (let k = 3; k < cutout!.length; k += 4) most = Math.max(most, Math.abs(cutout![k]! + window![k]! - 255));
  return most;
}

describe('cutout and window of one shape add up to the whole photo', () => {
  const shapes = {
    circle,
    star: { kind: 'star', box: { cx: MIDDLE, cy: MIDDLE, width: 200, height: 190, angle: 11 } },
    'a ring': {
      kind: 'combined',
      parts: [
        { op: 'add', shape: circle },
        { op: 'cut', shape: { ...circle, box: { ...circle.box, width: 70, height: 70 } } },
      ],
    },
    'a circle that the frame cuts': { kind: 'circle', box: { cx: 30, cy: 200, width: 200, height: 200 } },
  };
  const edges = {
    hard: {},
    'rounded corners': { rounding: 8 },
    'feather inside': { feather: 24 },
    'feather across': { feather: 24, featherSide: 'centre' },
    'feather outside': { feather: 24, featherSide: 'outside' },
  };
  const cases = Object.keys(shapes).flatMap((shape) => Object.keys(edges).map((edge) => [shape, edge] as const));
  test.each(cases)('%s, %s', (shape, edge) => {
    const fields = { shape: shapes[shape as keyof typeof shapes], edge: edges[edge as keyof typeof edges] };
    expect(farFromWhole(both(fields))).toBeLessThanOrEqual(1);
    expect(farFromWhole(both(fields, 177))).toBeLessThanOrEqual(1);
  });

  test('with a border on the photo’s side, too', () => {
    expect(farFromWhole(both({ borders: [{ width: 12, align: 'inside' }] }))).toBeLessThanOrEqual(1);
  });
});

test('the hole is clear, the rest is the photo as it is, up to the frame’s corners', () => {
  const { at, out, plate } = drawn({ mode: 'window' });
  expect(at(MIDDLE, MIDDLE)[3]).toBe(0);
  expect(at(MIDDLE + R - 3, MIDDLE)[3]).toBe(0);
  expect(plate.photoWindow).toEqual({ left: 0, top: 0, width: SIZE, height: SIZE });
  for (const [x, y] of [[0, 0], [SIZE - 1, SIZE - 1], [MIDDLE, 10]] as const) expect(at(x, y)[3]).toBe(255); // prettier-ignore
  const alpha = out.reduce((sum, v, i) => (i % 4 === 3 ? sum + v / 255 : sum), 0);
  expect(alpha / (SIZE * SIZE - Math.PI * R * R)).toBeCloseTo(1, 4);
});

test('a border inside lies on the photo, one outside in the hole', () => {
  const border = { width: 10, paint: '#ff0000' };
  const inside = drawn({ mode: 'window', borders: [{ ...border, align: 'inside' }] });
  expect(inside.at(MIDDLE + R + 5, MIDDLE)).toEqual([255, 0, 0, 255]);
  expect(inside.at(MIDDLE + R - 5, MIDDLE)[3]).toBe(0);
  const outside = drawn({ mode: 'window', borders: [{ ...border, align: 'outside' }] });
  expect(outside.at(MIDDLE + R - 5, MIDDLE)).toEqual([255, 0, 0, 255]);
  expect(outside.at(MIDDLE + R - 15, MIDDLE)[3]).toBe(0);
  // None along the frame.
  expect(inside.at(2, 2)).not.toEqual([255, 0, 0, 255]);
});

test('dashes go along the hole alone, and a gradient fills the hole’s own bounds', () => {
  const paint = { kind: 'linear', angle: 90, stops: [[0, '#ff0000'], [1, '#0000ff']] }; // prettier-ignore
  const { at } = drawn({ mode: 'window', borders: [{ width: 10, align: 'outside', paint }] });
  // From R to the left of the middle to R to the right of it.
  expect(at(MIDDLE - R + 4, MIDDLE)[0]).toBeGreaterThan(240);
  expect(at(MIDDLE + R - 5, MIDDLE)[2]).toBeGreaterThan(240);
  const dashed = drawn({ mode: 'window', borders: [{ width: 10, align: 'outside', paint: '#ff0000', dash: [12, 8] }] });
  let covered = 0;
  for (let y = MIDDLE - R; y < MIDDLE + R; y++)
    for (let x = MIDDLE - R; x < MIDDLE + R; x++)
      if (Math.hypot(x + 0.5 - MIDDLE, y + 0.5 - MIDDLE) < R - 1) covered += dashed.at(x, y)[3]! / 255;
  expect(covered / (Math.PI * ((R - 1) ** 2 - (R - 10) ** 2))).toBeCloseTo(0.6, 1.5);
});

test('the photo’s shadow falls into the hole, and nowhere else', () => {
  const shadow = { x: 0, y: 20, blur: 0, color: '#000000', opacity: 1 };
  const { at } = drawn({ mode: 'window', shadows: [shadow] });
  // The photo's rim, 20 lower: the upper part of the hole is dark.
  expect(at(MIDDLE, MIDDLE - R + 10)).toEqual([0, 0, 0, 255]);
  expect(at(MIDDLE, MIDDLE - R + 24)[3]).toBe(0);
  expect(at(MIDDLE, MIDDLE + R - 10)[3]).toBe(0);
  const plain = drawn({ mode: 'window' });
  expect(at(10, 10)).toEqual(plain.at(10, 10));
});

test('an inner shadow and a tint by the contour follow the hole outwards', () => {
  const shade = drawn({ mode: 'window', shadows: [{ kind: 'inner', x: 0, y: 0, blur: 0, spread: 10, color: '#000000', opacity: 1 }] }); // prettier-ignore
  expect(shade.at(MIDDLE + R + 5, MIDDLE)).toEqual([0, 0, 0, 255]);
  const plain = drawn({ mode: 'window' });
  expect(shade.at(MIDDLE + R + 14, MIDDLE)).toEqual(plain.at(MIDDLE + R + 14, MIDDLE));
  expect(shade.at(1, 1)).toEqual(plain.at(1, 1));
  const paint = { kind: 'contour', depth: 40, stops: [[0, '#ffffff'], [1, '#000000']] }; // prettier-ignore
  const { at } = drawn({ mode: 'window', tints: [{ paint, blend: 'normal' }] });
  // 10.5 px out of 40.
  expect(at(MIDDLE + R + 10, MIDDLE)[0]! / 255).toBeCloseTo(1 - 10.5 / 40, 1.5);
  expect(at(0, 0).slice(0, 3)).toEqual([0, 0, 0]);
});

test('with a mat the photo ends at the frame', () => {
  const template = squareTemplate(SIZE, { shape: circle, mode: 'window', mat: { top: 20, left: 20, right: 20, bottom: 60, paint: '#00ff00' } }); // prettier-ignore
  const { at } = drawnNoise(template, SIZE + 40);
  expect(at(10, 100)).toEqual([0, 255, 0, 255]);
  expect(at(100, SIZE + 50)).toEqual([0, 255, 0, 255]);
  expect(at(MIDDLE + 20, MIDDLE + 20)[3]).toBe(0);
  expect(at(25, 25)).not.toEqual([0, 255, 0, 255]);
});

test('a shadow on the floor and a reflection need a thing that stands: around a window there is none', () => {
  const plain = drawn({ mode: 'window' }).out;
  const standing = drawn({
    mode: 'window',
    shadows: [{ kind: 'ground', y: 0 }],
    reflection: { gap: 0, length: 0.4, opacity: 0.5 },
  }).out;
  expect(standing).toEqual(plain);
});

test('a photo that does not reach everywhere leaves the gap, also around a window', () => {
  const plate = compile(squareTemplate(SIZE, { shape: circle, mode: 'window' }), SIZE, null, true);
  const data = new Uint8ClampedArray(SIZE * SIZE * 4).map((_, i) => (i % (SIZE * 4) < SIZE * 2 ? 200 : 0));
  const out = compose(plate, { data, window: plate.photoWindow, opaque: false });
  expect(out[3]).toBe(200);
  expect(out[(SIZE - 1) * 4 + 3]).toBe(0);
});
