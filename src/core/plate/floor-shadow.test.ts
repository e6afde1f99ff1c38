import { parseTemplate } from '../template';
import type { Polygon } from '../shape';
import { compile } from './compile';
import { erf, floorMask } from './floor-shadow';

const window = { left: 0, top: 0, width: 200, height: 200 };
const circle: Polygon = Array.from({ length: 360 }, (_, i) => {
  const angle = (2 * Math.PI * i) / 360;
  return [100 + 60 * Math.cos(angle), 80 + 60 * Math.sin(angle)];
});
const shadow = (fields: object = {}) =>
  parseTemplate({ wobrel: 1, name: 'T', shadows: [{ kind: 'ground', y: 0, blur: 0, reach: 30, depth: 20, ...fields }] })
    .shadows[0]!;
const mask = (fields: object = {}) => floorMask([circle], shadow(fields), 1)(window);
const at = (values: Float32Array, x: number, y: number) => values[y * window.width + x]!;

test('the error function has the values of the handbook’s table', () => {
  // Abramowitz and Stegun 1964, table 7.1.
  for (const [x, y] of [
    [0, 0],
    [0.5, 0.5204998778],
    [1, 0.8427007929],
    [2, 0.995322265],
  ] as const) {
    expect(Math.abs(erf(x) - y)).toBeLessThan(2e-7);
    expect(erf(-x)).toBeCloseTo(-erf(x), 8);
  }
});

test('it is darkest where the outline touches the floor, and by e less at the height of its reach', () => {
  const floor = mask();
  expect(at(floor, 100, 140)).toBeGreaterThan(0.98);
  // The circle is 30 above its lowest place where cos = 1/2: 60 · √3/2 to the side.
  const aside = Math.round(60 * Math.sqrt(0.75));
  const middle = Math.max(...[138, 139, 140, 141].map((y) => at(floor, 100 + aside, y)));
  expect(middle).toBeCloseTo(Math.exp(-1), 1);
  expect(at(floor, 100 - aside - 1, 140)).toBeCloseTo(at(floor, 100 + aside, 140), 2);
  expect(at(floor, 20, 140)).toBe(0);
});

test('it is as thick as its depth in the middle, and all of it lies about the floor', () => {
  const floor = mask();
  const column = Array.from({ length: 200 }, (_, y) => at(floor, 100, y));
  expect(column.reduce((sum, v) => sum + v, 0)).toBeCloseTo(20, 0);
  expect(column.findIndex((v) => v > 0.5)).toBe(130);
});

test('farther above the floor it is fainter', () => {
  // 15 above: e^(−1/2) is left.
  expect(at(mask({ y: 15 }), 100, 155) / at(mask(), 100, 140)).toBeCloseTo(Math.exp(-0.5), 2);
});

test('it goes on from window to window', () => {
  const whole = mask({ blur: 12 });
  const lower = floorMask([circle], shadow({ blur: 12 }), 1)({ left: 0, top: 130, width: 200, height: 70 });
  expect([...lower]).toEqual([...whole.subarray(130 * 200)]);
});

test('it lies below the cutout, and on the backdrop', () => {
  const template = parseTemplate({
    wobrel: 1,
    name: 'T',
    frame: { width: 200, height: 200 },
    shape: { kind: 'circle', box: { cx: 100, cy: 80, width: 120, height: 120 } },
    backdrop: '#ffffff',
    shadows: [{ kind: 'ground', y: 0, blur: 4, reach: 30, depth: 20, opacity: 1 }],
  });
  const { blank, runs } = compile(template, 200);
  expect([...blank.subarray((145 * 200 + 100) * 4, (145 * 200 + 100) * 4 + 4)].slice(0, 3).every((v) => v < 40)).toBe(
    true,
  );
  expect([...blank.subarray((5 * 200 + 5) * 4, (5 * 200 + 5) * 4 + 4)]).toEqual([255, 255, 255, 255]);
  expect(runs.length).toBeGreaterThan(0);
});
