/** A framing's vectors against its pixels, drawn by librsvg. */
import sharp from 'sharp';
import { compile, withoutPhotos } from '../plate';
import { parseTemplate } from '../template';
import { framingPixels, framingSvg } from './framing-svg';

const SIZE = 300;
const template = (fields: object) =>
  parseTemplate({ wobrel: 1, name: 'A & B', frame: { width: SIZE, height: SIZE }, outputs: [{ width: SIZE }], ...fields }); // prettier-ignore

test.each([
  ['two borders', { shape: { kind: 'polygon' }, borders: [{ width: 12, paint: '#24594f' }, { width: 6, align: 'outside', gap: 5, paint: '#c0402080' }] }], // prettier-ignore
  [
    'a torn rim',
    { borders: [{ width: 30, paint: '#333', rough: { kind: 'torn', amount: 6, size: 50, rim: 'both' } }] },
  ],
  ['echoes behind and before', { shape: { kind: 'star' }, borders: [{ width: 8, paint: '#ff8800', echo: { count: 4, scale: 1.06, angle: 5, keeps: 0.8, into: '#0033aa', lies: 'behind' } }, { width: 4, gap: 20, paint: '#000', echo: { count: 2, scale: 0.8, angle: 10 } }] }], // prettier-ignore
  ['a mat and a bent outline', { mat: { top: 20, left: 10 }, edge: { pins: [{ from: [0, 0], to: [0.1, 0.1] }, { from: [1, 1], to: [1, 1] }] }, borders: [{ width: 14, paint: '#123' }] }], // prettier-ignore
])('%s: drawn by somebody else it is the same within an eighth at rims', async (_, fields) => {
  const whole = template(fields);
  const width = whole.frame.width + whole.mat.left;
  const plate = withoutPhotos(compile(whole, width, null, 'alone'));
  const { data, info } = await sharp(Buffer.from(framingSvg(whole)!)).ensureAlpha().raw().toBuffer({ resolveWithObject: true }); // prettier-ignore
  expect([info.width, info.height]).toEqual([plate.width, plate.height]);
  let [sum, worst] = [0, 0];
  for (let k = 3; k < data.length; k += 4) {
    const off = Math.abs(data[k]! - plate.blank[k]!);
    sum += off;
    worst = Math.max(worst, off);
    // Colours where both are opaque.
    if (data[k] === 255 && plate.blank[k] === 255)
      for (let c = 1; c < 4; c++) expect(Math.abs(data[k - c]! - plate.blank[k - c]!)).toBeLessThanOrEqual(32);
  }
  expect(sum / (data.length / 4)).toBeLessThan(0.8);
  // librsvg takes sixteen samples of a pixel down and counts area across.
  expect(worst).toBeLessThanOrEqual(48);
});

test('what is made of pixels is told, and gives no vectors', () => {
  const stops = [[0, '#000'], [1, '#fff']]; // prettier-ignore
  const all = [
    [{ relief: {} }, 'relief'],
    [{ paint: { kind: 'texture', of: { kind: 'wood' }, size: 9, stops } }, 'a texture'],
    [{ paint: { kind: 'linear', stops } }, 'a gradient'],
    [{ paint: { kind: 'picked' } }, 'a colour from each photo'],
    [{ dash: [4, 4] }, 'dashes'],
    [{ shadow: {} }, 'a shadow on the photo'],
  ] as const;
  for (const [border, words] of all) {
    const one = template({ borders: [border] });
    expect(framingPixels(one)).toBe(words);
    expect(framingSvg(one)).toBeNull();
  }
  expect(framingSvg(template({ borders: [{ relief: {}, on: false }] }))).toContain('<title>A &amp; B</title>');
});
