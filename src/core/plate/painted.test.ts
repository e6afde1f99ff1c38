/** Borders and backdrops that are not one colour. */
import { parseTemplate } from '../template';
import { seededBytes } from '../testing/photos';
import { compile } from './compile';
import { compose } from './compose';

const SIZE = 240;
const [R, MIDDLE] = [100, SIZE / 2];
const template = (fields: object) =>
  parseTemplate({
    wobrel: 1,
    name: 'painted',
    frame: { width: SIZE, height: SIZE },
    shape: { kind: 'circle', box: { cx: MIDDLE, cy: MIDDLE, width: 2 * R, height: 2 * R } },
    ...fields,
  });

function drawn(fields: object, seed = 0) {
  const plate = compile(template(fields), SIZE);
  const { width, height } = plate.photoWindow;
  const noise = seededBytes(width * height * 4, seed);
  const data = noise.map((v, i) => (i % 4 === 3 ? 255 : seed ? v : 200));
  const out = compose(plate, { data, window: plate.photoWindow, opaque: true });
  const at = (x: number, y: number) => [...out.subarray((y * SIZE + x) * 4, (y * SIZE + x) * 4 + 4)];
  return { out, at };
}
const RED_TO_BLUE = [[0, '#ff0000'], [1, '#0000ff']]; // prettier-ignore

test('a border’s gradient fills the bounds of its outer edge', () => {
  const paint = { kind: 'linear', angle: 90, stops: RED_TO_BLUE };
  const { at } = drawn({ borders: [{ width: 20, align: 'outside', paint }] });
  // 240 px across: from 0 to 240.
  expect(at(10, MIDDLE)).toEqual([Math.round(255 * (1 - 10.5 / SIZE)), 0, Math.round((255 * 10.5) / SIZE), 255]);
  expect(at(MIDDLE, 10)[0]).toBe(127);
  expect(at(MIDDLE, MIDDLE)).toEqual([200, 200, 200, 255]);
});

test('along the line a gradient goes round from the top, clockwise', () => {
  const { at } = drawn({ borders: [{ width: 12, paint: { kind: 'along', stops: RED_TO_BLUE } }] });
  const blue = (x: number, y: number) => at(x, y)[2]! / 255;
  expect(blue(MIDDLE + R - 6, MIDDLE)).toBeCloseTo(0.25, 1.5);
  expect(blue(MIDDLE, MIDDLE + R - 6)).toBeCloseTo(0.5, 1.5);
  expect(blue(MIDDLE - R + 6, MIDDLE)).toBeCloseTo(0.75, 1.5);
});

test('dashes cover their share of the line, and between them lies what is below', () => {
  const border = { width: 10, align: 'outside', paint: '#ff0000', dash: [12, 8] };
  const { out, at } = drawn({ borders: [border] });
  let covered = 0;
  // The photo is grey: only the border is redder than green.
  for (let k = 0; k < out.length; k += 4) covered += ((out[k]! - out[k + 1]!) / 255) * (out[k + 3]! / 255);
  const band = Math.PI * ((R + 10) ** 2 - R ** 2);
  expect(covered / band).toBeCloseTo(0.6, 1.5);
  const inside = drawn({ borders: [{ ...border, align: 'inside' }] });
  const line = Array.from({ length: 400 }, (_, i) => {
    const angle = (2 * Math.PI * i) / 400;
    return inside.at(Math.floor(MIDDLE + (R - 5) * Math.cos(angle)), Math.floor(MIDDLE + (R - 5) * Math.sin(angle)));
  });
  expect(line.filter(([r, g]) => r === 255 && g === 0).length).toBeGreaterThan(200);
  expect(line.filter(([r, g]) => r === 200 && g === 200).length).toBeGreaterThan(100);
  expect(at(MIDDLE, MIDDLE)).toEqual([200, 200, 200, 255]);
});

test('a backdrop’s gradient fills the frame, on the matte', () => {
  const stops = [[0, '#00ff00'], [1, '#00ff0000']]; // prettier-ignore
  const backdrop = { kind: 'linear', stops };
  const { at } = drawn({ backdrop });
  expect(at(0, 0).slice(0, 3)).toEqual([0, 255, 0]);
  expect(at(0, 60)[3]).toBe(Math.round(255 * (1 - 60.5 / SIZE)));
  const plate = compile(template({ backdrop }), SIZE, '#ffffff');
  const on = (y: number) => plate.blank[y * SIZE * 4]!;
  // Within one step of 8 bits of the straight line from 0 to 255.
  for (const y of [0, 60, 120, SIZE - 1]) expect(Math.abs(on(y) - (255 * (y + 0.5)) / SIZE)).toBeLessThanOrEqual(1);
  expect(plate.blank[3]).toBe(255);
});

test('the alpha channel is the same whatever the photo', () => {
  const fields = {
    backdrop: { kind: 'radial', stops: [[0, '#ff000080'], [1, '#0000ff20']] }, // prettier-ignore
    borders: [
      { width: 10, align: 'centre', paint: { kind: 'along', stops: [[0, '#ff0000'], [1, '#00ff0000']] }, dash: [9, 4], dashCap: 'round' }, // prettier-ignore
      { width: 6, align: 'outside', gap: 4, paint: '#22334455' },
    ],
    shadows: [{ blur: 12 }],
  };
  const alpha = (seed: number) => Buffer.from(drawn(fields, seed).out.filter((_, i) => i % 4 === 3));
  expect(Buffer.compare(alpha(1), alpha(2))).toBe(0);
  expect(new Set(alpha(1)).size).toBeGreaterThan(60);
});

test('without a gap in it a dashed line is the whole line', () => {
  const whole = drawn({ borders: [{ width: 10, paint: '#ff0000' }] }).out;
  const dashed = drawn({ borders: [{ width: 10, paint: '#ff0000', dash: [20, 0] }] }).out;
  let worst = 0;
  for (let k = 0; k < whole.length; k++) worst = Math.max(worst, Math.abs(whole[k]! - dashed[k]!));
  expect(worst).toBeLessThanOrEqual(1);
});

test('a gradient along a line goes on from band to band of a large picture', () => {
  // 2,400 px: the second band begins at row 1536.
  const fields = { borders: [{ width: 12, paint: { kind: 'along', stops: RED_TO_BLUE }, dash: [9, 3] }], shadows: [] };
  const large = compile(template(fields), 2400);
  const small = compile(template({ ...fields, borders: [{ ...fields.borders[0], dash: null }] }), 2400);
  const x = Math.round(1200 - Math.sqrt((10 * R - 60) ** 2 - (1536 - 1200) ** 2));
  const blues = Array.from({ length: 24 }, (_, i) => small.blank[((1524 + i) * 2400 + x) * 4 + 2]!);
  for (let i = 1; i < blues.length; i++) expect(Math.abs(blues[i]! - blues[i - 1]!)).toBeLessThanOrEqual(1);
  expect(blues[0]).toBeGreaterThan(100);
  const inked = ({ blank }: { blank: Uint8ClampedArray }) => blank.filter((v, i) => i % 4 === 2 && v > 0).length;
  expect(inked(large) / inked(small)).toBeCloseTo(0.75, 1);
});

test('a dashed border that reaches out throws a dashed shadow', () => {
  const border = { width: 10, align: 'outside', gap: 6, paint: '#ff0000', dash: [20, 20] };
  const area = (dash: unknown, dashCap = 'butt') => {
    const shadow = { x: 0, y: 300, blur: 0, spread: 0, color: '#000000', opacity: 1 };
    const fields = { borders: [{ ...border, dash, dashCap }], shadows: [shadow], mat: { bottom: 300 } };
    const plate = compile(template(fields), SIZE);
    let sum = 0;
    // The shadow lies in the mat alone.
    for (let k = SIZE * SIZE * 4 + 3; k < plate.blank.length; k += 4) sum += plate.blank[k]! / 255;
    return sum;
  };
  const circle = Math.PI * R ** 2;
  const ring = Math.PI * ((R + 16) ** 2 - (R + 6) ** 2);
  expect(area(null) / (circle + ring)).toBeCloseTo(1, 2);
  expect(area(border.dash) / (circle + ring / 2)).toBeCloseTo(1, 2);
  // Dots: as many as fit, each a disc as wide as the line.
  const count = Math.round((2 * Math.PI * (R + 11)) / 40);
  expect((area([0, 40], 'round') - circle) / (count * Math.PI * 25)).toBeCloseTo(1, 1.3);
});

test('dashes too fine to be told apart throw the shadow of a whole line, and soon', () => {
  const shadowOf = (dash: unknown) => {
    const borders = [{ width: 10, align: 'outside', gap: 6, dash }];
    const plate = compile(
      template({ borders, shadows: [{ y: 300, blur: 0, opacity: 1 }], mat: { bottom: 300 } }),
      SIZE,
    );
    return plate.blank.slice(SIZE * SIZE * 4);
  };
  // Taken one by one these were seven millions.
  expect(shadowOf([0.0001, 0])).toEqual(shadowOf(null));
});
