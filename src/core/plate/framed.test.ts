/** Everything that a framing may have: the same for every photo, and only where it belongs. */
import { framingDocument, parseTemplate, READY_FRAMINGS, withFraming } from '../template';
import { firstUnlike } from '../testing/drawn';
import { seededBytes, smoothPhoto } from '../testing/photos';
import { coverage } from '../raster';
import { compile } from './compile';
import { compose } from './compose';
import { withoutPhotos } from './sheet';
import type { Plate } from './plate';

const SIZE = 200;
const FRAME = { frame: { width: SIZE, height: SIZE } };
const square = { kind: 'rectangle', box: { cx: 100, cy: 100, width: 120, height: 120 } };
const template = (fields: object) =>
  parseTemplate({ wobrel: 1, name: 'T', ...FRAME, shape: square, outputs: [{ width: SIZE }], ...fields });

const onto = (plate: Plate, data: Uint8Array, colours: [number, number, number][] = []) =>
  compose(plate, { data, window: plate.photoWindow, opaque: true }, colours);

function looked(fields: object, colours: [number, number, number][] = []) {
  const plate = compile(template(fields), SIZE, null, true);
  const { width, height } = plate.photoWindow;
  const out = onto(plate, smoothPhoto(width, height), colours);
  return { plate, out, at: (x: number, y: number) => [...out.subarray((y * SIZE + x) * 4, (y * SIZE + x) * 4 + 4)] };
}

/** Opaque pixels that nobody would take for another photo's. */
const noise = (width: number, height: number) => seededBytes(width * height * 4, 3).map((v, i) => (i % 4 === 3 ? 255 : v)); // prettier-ignore

test.each(READY_FRAMINGS.map((framing) => [framing.name, framing] as const))(
  '%s: alpha is the same for every photo, and the photo shows within',
  (_, { fields }) => {
    const whole = withFraming(template({ shape: { kind: 'heart' } }), framingDocument.parse(fields));
    const plate = compile(whole, SIZE, null, true);
    const { width, height } = plate.photoWindow;
    const [one, other] = [onto(plate, smoothPhoto(width, height)), onto(plate, noise(width, height))];
    const alpha = (of: Uint8ClampedArray) => of.filter((_, i) => i % 4 === 3);
    expect(alpha(one)).toEqual(alpha(other));
    expect(one.some((v, i) => v !== other[i])).toBe(true);
    // Without a photo its middle is clear, and its rim is there.
    const bare = withoutPhotos(compile(whole, SIZE, null, 'alone')).blank;
    expect(bare[(100 * SIZE + 100) * 4 + 3]).toBe(0);
    expect(bare.some((v, i) => i % 4 === 3 && v === 255)).toBe(true);
  },
);

const band = { width: 10, paint: '#ff0000' };

const isAlpha = (_: number, i: number) => i % 4 === 3;

test('echoes are the band at each step: their area is the band’s by the square of the scale', () => {
  // Small enough to lie in the photo, and apart from each other.
  const echo = { count: 3, scale: 0.7, angle: 0, lies: 'before' };
  const { out } = looked({ borders: [{ ...band, width: 6, echo }] });
  const isRed = (k: number) => out[k]! > 250 && out[k + 1]! < 5;
  let area = 0;
  for (let k = 0; k < out.length; k += 4) if (isRed(k)) area++;
  const ring = 120 ** 2 - 108 ** 2;
  const wanted = ring * [0, 1, 2, 3].reduce((sum, i) => sum + 0.49 ** i, 0);
  // Pixels on the rims are not counted: at most one along each side.
  expect(area).toBeLessThan(wanted);
  expect(area).toBeGreaterThan(wanted - 8 * 120 * (1 + 0.7 + 0.49 + 0.343));
});

test('an echo lies where its map takes it: moved, turned, and covering by area', () => {
  const { at } = looked({ borders: [{ ...band, echo: { count: 1, scale: 1, angle: 0, x: 30.5, y: 0, lies: 'behind' } }] }); // prettier-ignore
  // The square ends at 160; its echo from 180.5 to 190.5, half a pixel at both ends.
  expect(at(185, 100)).toEqual([255, 0, 0, 255]);
  expect(at(180, 100)[3]).toBeCloseTo(127.5, -1);
  expect(at(190, 100)[3]).toBeCloseTo(127.5, -1);
  expect(at(175, 100)[3]).toBe(0);
  // Behind: the cutout hides what lies below it.
  expect(at(150 - 10, 100)).not.toEqual([255, 0, 0, 255]);
});

test('an echo turned by an angle covers what the turned band covers', () => {
  const angle = 30;
  const { out } = looked({ shape: { ...square, box: { ...square.box, width: 80, height: 80 } }, borders: [{ ...band, echo: { count: 1, scale: 1.4, angle, lies: 'behind' } }] }); // prettier-ignore
  const turned = (half: number) =>
    [
      [-half, -half],
      [half, -half],
      [half, half],
      [-half, half],
    ].map(([x, y]) => {
      const [c, s] = [1.4 * Math.cos((angle * Math.PI) / 180), 1.4 * Math.sin((angle * Math.PI) / 180)];
      return [100 + c * x! - s * y!, 100 + s * x! + c * y!] as const;
    });
  const covered = coverage([turned(40), turned(30).reverse()], { left: 0, top: 0, width: SIZE, height: SIZE });
  const isOff = (share: number, i: number) => {
    const [x, y] = [i % SIZE, Math.floor(i / SIZE)];
    if (x > 58 && x < 142 && y > 58 && y < 142) return false;
    return Math.abs(out[i * 4 + 3]! - share * 255) > 1;
  };
  expect(covered.filter(isOff)).toHaveLength(0);
});

test('echoes fade and change their colour step by step', () => {
  const echo = { count: 2, scale: 1, angle: 0, x: 0, y: 22, keeps: 0.5, into: '#0000ff', lies: 'behind' };
  const { at } = looked({ shape: { ...square, box: { ...square.box, width: 60, height: 60 } }, borders: [{ ...band, echo }] }); // prettier-ignore
  // The square ends at 130: its first echo's lower band lies from 142 to 152, the second's from 164 on.
  expect(at(100, 147)).toEqual([128, 0, 128, 128]);
  expect(at(100, 169)[2]).toBe(255);
  expect(at(100, 169)[3]).toBe(64);
});

test.each([
  ['multiply', (v: number) => v * v],
  ['screen', (v: number) => 1 - (1 - v) ** 2],
  ['difference', () => 0],
] as const)('echoes that overlap are mixed by %s, as a group by themselves (Compositing 1 §9.1)', (blend, mixed) => {
  const paint = [0.75, 0.5, 0.25];
  const hex = `#${paint.map((v) => Math.round(v * 255).toString(16)).join('')}`;
  const echo = { count: 2, scale: 1, angle: 0, x: 20, lies: 'behind', blend };
  const { at } = looked({ borders: [{ ...band, paint: hex, echo }] });
  // Upper bars of both lie over each other from 160 to 180, of the second alone beyond.
  const near = (found: number[], wanted: number[]) => wanted.forEach((v, c) => expect(Math.abs(found[c]! - v * 255)).toBeLessThanOrEqual(2)); // prettier-ignore
  near(at(170, 45), [...paint.map(mixed), 1]);
  near(at(190, 45), [...paint, 1]);
});

test('fifty echoes of a band that each photo colours take that colour', () => {
  const picked = { kind: 'picked', from: 'photo', tone: 'main' };
  const fields = { borders: [{ width: 4, paint: picked, echo: { count: 50, scale: 0.97, angle: 2, lies: 'before' } }] };
  const { at } = looked(fields, [[0, 1, 0]]);
  expect(at(100, 45)).toEqual([0, 255, 0, 255]);
});

test('echoes throw the page’s shadow with the cutout, and the floor lies below the lowest of them', () => {
  const echo = { count: 1, scale: 1, angle: 0, x: 0, y: 14, lies: 'behind' };
  const own = (fields: object) => looked({ borders: [{ ...band, align: 'outside', width: 8, echo }], ...fields });
  const shadow = { x: 9, y: 0, blur: 0, color: '#000000', opacity: 0.5 };
  const { at } = own({ shadows: [shadow] });
  // The square ends at 160, its band at 168, the echo at 182; to the right of the echo its shadow alone.
  expect(at(100, 180)[3]).toBe(255);
  expect(at(172, 171)[3]).toBe(128);
  expect(at(172, 188)[3]).toBe(0);
  const floor = own({ shadows: [{ kind: 'ground', x: 0, y: 0, blur: 2, depth: 6, reach: 100, opacity: 1 }] });
  expect(floor.at(100, 183)[3]).toBeGreaterThan(100);
});

test('echoes of such a band have its relief, its shadow, and fade into another colour, as those of a plain one', () => {
  const relief = { profile: 'round', depth: 6 };
  const shadow = { distance: 3, blur: 4, color: '#102030', opacity: 0.6 };
  const echo = { count: 4, scale: 0.86, angle: 7, keeps: 0.8, into: '#ff8040', lies: 'before' };
  const own = (paint: object | string) => ({ borders: [{ width: 9, paint, relief, shadow, echo }] });
  const picked = looked(own({ kind: 'picked' }), [[0.2, 0.6, 0.4]]);
  const plain = looked(own('#339966'));
  let worst = 0;
  for (let k = 0; k < plain.out.length; k++) worst = Math.max(worst, Math.abs(picked.out[k]! - plain.out[k]!));
  // What is added and what is left are rounded each by itself, copy over copy.
  expect(worst).toBeLessThanOrEqual(3);
});

test('a relief on a colour out of the photo is light on that colour', () => {
  const relief = { profile: 'chamfer', depth: 8, shadeStrength: 1, highlightStrength: 1 };
  const light = { angle: 0, height: 45 };
  const picked = looked({ light, borders: [{ width: 20, paint: { kind: 'picked' }, relief }] }, [[0.2, 0.6, 0.4]]);
  const plain = looked({ light, borders: [{ width: 20, paint: '#339966', relief }] });
  expect(picked.out.filter((v, k) => Math.abs(v - plain.out[k]!) > 2)).toHaveLength(0);
});

test('the shadow that a band throws lies on the photo away from the light, and nowhere beyond the cutout', () => {
  const shadow = { distance: 10, blur: 0, color: '#000000', opacity: 0.99 };
  const bare = looked({ borders: [band] });
  const { at, out } = looked({ light: { angle: 0 }, borders: [{ ...band, shadow }] });
  // The light comes from above: below the upper band it is dark for ten pixels.
  expect(Math.max(...at(100, 55).slice(0, 3))).toBeLessThan(5);
  expect(at(100, 62)).toEqual(bare.at(100, 62));
  expect(at(100, 145)).toEqual(bare.at(100, 145));
  expect(firstUnlike(out.filter(isAlpha), bare.out.filter(isAlpha))).toBe(-1);
});

test('a relief on the photo’s own edge changes it there alone', () => {
  const relief = { width: 12, profile: 'round', depth: 6 };
  const plain = looked({});
  const { at } = looked({ edge: { relief } });
  expect(at(100, 100)).toEqual(plain.at(100, 100));
  expect(at(100, 73)).toEqual(plain.at(100, 73));
  // Lit from the left and above.
  expect(at(100, 42)[0]).toBeGreaterThan(plain.at(100, 42)[0]! + 10);
  expect(at(157, 100)[0]).toBeLessThan(plain.at(157, 100)[0]! - 10);
});

test('a rough rim stays within its amount, and the other rim where it was', () => {
  const rough = { kind: 'torn', amount: 6, size: 30, seed: 3, rim: 'inner' };
  const { out } = looked({ borders: [{ ...band, width: 20, rough }] });
  const plain = looked({ borders: [{ ...band, width: 20 }] });
  let moved = 0;
  for (let i = 0; i < SIZE * SIZE; i++) {
    const isRed = (of: Uint8ClampedArray) => of[i * 4]! > 250 && of[i * 4 + 1]! < 5;
    if (isRed(out) === isRed(plain.out)) continue;
    moved++;
    const [x, y] = [(i % SIZE) + 0.5, Math.floor(i / SIZE) + 0.5];
    const away = Math.min(x - 40, 160 - x, y - 40, 160 - y);
    // At the corners of the inner edge the amount counts along both sides.
    expect(Math.abs(away - 20)).toBeLessThan(6 * Math.SQRT2 + 1);
  }
  expect(moved).toBeGreaterThan(100);
});

test('an echo of a slot’s band is not cut off where the slot ends', () => {
  const wide = { kind: 'rectangle', box: { cx: 100, cy: 100, width: 100, height: 20 } };
  const echo = { count: 2, scale: 1.3, angle: 90, lies: 'behind' };
  const borders = [{ width: 4, paint: '#ff0000', echo }];
  const alone = looked({ shape: wide, borders });
  const sheet = compile(template({ slots: [{ name: 'a', shape: wide, borders }] }), SIZE, null, true);
  const own = sheet.sheet!.slots[0]!;
  // The first echo stands upright: 65 up and down from the middle.
  expect(alone.at(100, 37)).toEqual([255, 0, 0, 255]);
  const at = ((37 - own.top) * own.plate.width + 100 - own.left) * 4;
  expect([...own.plate.blank.subarray(at, at + 4)]).toEqual([255, 0, 0, 255]);
});
