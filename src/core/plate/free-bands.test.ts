/** Bands that pins of their own bend. */
import { framingSvg } from '../export';
import { boundsOfOutline } from '../shape';
import { bandBend, parseTemplate } from '../template';
import { drawnNoise } from '../testing/drawn';
import { compile } from './compile';
import { withoutPhotos } from './sheet';

const SIZE = 200;
const box = (cx: number) => ({ cx, cy: 100, width: 100, height: 100 });
const template = (fields: object, cx = 100, shape: object = {}) =>
  parseTemplate({ wobrel: 1, name: 'T', frame: { width: SIZE, height: SIZE }, shape: { kind: 'rectangle', box: box(cx), ...shape }, outputs: [{ width: SIZE }], ...fields }); // prettier-ignore
const band = { width: 8, align: 'outside', gap: 6, paint: '#ff0000' };
const stay = (from: number[]) => ({ from, to: from });
const corners = [[0, 0], [1, 0], [1, 1], [0, 1]]; // prettier-ignore

/** What there is without any photo. */
const alone = (of: ReturnType<typeof template>) => withoutPhotos(compile(of, SIZE, null, 'alone')).blank;

const largest = (a: Uint8ClampedArray, b: Uint8ClampedArray) => a.reduce((most, v, i) => Math.max(most, Math.abs(v - b[i]!)), 0); // prettier-ignore

test('pins that stay change nothing, and one motion of all of them moves the band exactly', () => {
  const plain = alone(template({ borders: [band] }));
  expect(largest(alone(template({ borders: [{ ...band, pins: corners.map(stay) }] })), plain)).toBeLessThanOrEqual(1);
  const moved = corners.map(([x, y]) => ({ from: [x, y], to: [x! + 0.2, y] }));
  expect(largest(alone(template({ borders: [{ ...band, pins: moved }] })), alone(template({ borders: [band] }, 120)))).toBeLessThanOrEqual(1); // prettier-ignore
});

test('the photo and the other borders stay where they are', () => {
  const pins = [...corners.map(stay), { from: [0.5, 0], to: [0.5, -0.3] }];
  const own = { borders: [{ width: 4, align: 'inside', paint: '#0000ff' }] };
  const plain = drawnNoise(template(own), SIZE);
  const { at } = drawnNoise(template({ borders: [...own.borders, { ...band, pins }] }), SIZE);
  for (const [x, y] of [[100, 100], [52, 60], [60, 148]] as const) expect(at(x, y)).toEqual(plain.at(x, y)); // prettier-ignore
  // Its upper side has gone up by 0.3 of the box: from 36…44 to about there.
  expect(at(100, 10)).toEqual([255, 0, 0, 255]);
  expect(at(100, 40)[3]).toBe(0);
});

test('a band bent over the photo lies on it, with its shadow on the photo and nowhere else', () => {
  const pins = [...corners.map(stay), { from: [0.5, 0], to: [0.5, 0.4] }];
  const shadow = { distance: 12, blur: 0, color: '#000000', opacity: 1 };
  const light = { angle: 0 };
  const bare = drawnNoise(template({ light, borders: [{ ...band, pins }] }), SIZE);
  const { at, plate } = drawnNoise(template({ light, borders: [{ ...band, pins, shadow }] }), SIZE);
  const y = Array.from({ length: SIZE }, (_, k) => k).findLast((k) => bare.at(100, k).join() === '255,0,0,255' && k < 120)!; // prettier-ignore
  expect(y).toBeGreaterThan(60);
  expect(at(100, y + 5)).toEqual([0, 0, 0, 255]);
  expect(at(100, y + 20)).toEqual(bare.at(100, y + 20));
  // Beyond the cutout there is no ground for it.
  expect(at(44, 170)[3]).toBe(0);
  expect(plate.blank[(60 * SIZE + 45) * 4 + 3]).toBe(bare.plate.blank[(60 * SIZE + 45) * 4 + 3]);
});

test('alpha is the same for every photo; it throws the page’s shadow, echoes and is mirrored', () => {
  const pins = [...corners.map(stay), { from: [1, 0.5], to: [1.25, 0.5] }];
  const echo = { count: 2, scale: 0.9, angle: 5, lies: 'before' };
  const fields = { borders: [{ ...band, pins, echo, relief: {} }], shadows: [{ x: 0, y: 16, blur: 0, opacity: 1 }], reflection: { length: 0.2 } }; // prettier-ignore
  const [one, other] = [1, 2].map((seed) => drawnNoise(template(fields), SIZE, seed));
  const alpha = (out: Uint8ClampedArray) => out.filter((_, i) => i % 4 === 3);
  expect(alpha(one!.out)).toEqual(alpha(other!.out));
  const [, , right] = boundsOfOutline(bandBend(template(fields), template(fields).borders[0]!).outline);
  expect(right).toBeCloseTo(175, 0);
  // Below the pulled side of the band its shadow.
  const bare = drawnNoise(template({ borders: [{ ...band, pins }] }), SIZE);
  const shaded = drawnNoise(template({ borders: [{ ...band, pins }], shadows: fields.shadows }), SIZE);
  const lowest = Array.from({ length: 130 }, (_, y) => y).findLast((y) => bare.at(184, y)[3] === 255)!;
  expect(bare.at(184, lowest + 10)[3]).toBe(0);
  expect(shaded.at(184, lowest + 10)).toEqual([0, 0, 0, 255]);
});

test('as vectors it is the same band', () => {
  const moved = corners.map(([x, y]) => ({ from: [x, y], to: [x! + 0.2, y] }));
  const svg = (of: ReturnType<typeof template>) => framingSvg(of)!.replace(/viewBox="[^"]+"/, '');
  expect(svg(template({ borders: [{ ...band, pins: moved }] }))).toBe(svg(template({ borders: [band] }, 120)));
});

test('in a slot there is room for it', () => {
  const pins = [...corners.map(stay), { from: [0.5, 0], to: [0.5, -0.6] }];
  const slot = { name: 'a', shape: { kind: 'rectangle', box: { cx: 100, cy: 140, width: 80, height: 80 } }, borders: [{ ...band, pins }] }; // prettier-ignore
  const plate = compile(template({ slots: [slot] }), SIZE);
  const { left, top, plate: own } = plate.sheet!.slots[0]!;
  expect(top).toBeLessThan(50);
  expect([...own.blank.subarray(((42 - top) * own.width + 100 - left) * 4).subarray(0, 4)]).toEqual([255, 0, 0, 255]);
});
