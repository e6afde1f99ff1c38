/** A framing's vectors: what they are made of, and when there are none; Chromium draws them in e2e/framing.test.ts. */
import { parseTemplate } from '../template';
import { framingPixels, framingSvg } from './framing-svg';

const SIZE = 300;
const template = (fields: object) =>
  parseTemplate({ wobrel: 1, name: 'A & B', frame: { width: SIZE, height: SIZE }, ...fields });

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

test('each band is a path, each echo the same path further on, the farthest of those behind lowest', () => {
  const echo = { count: 3, scale: 0.5, angle: 90, keeps: 0.5, into: '#0000ff', lies: 'behind' };
  const svg = framingSvg(template({ frame: { width: 80, height: 60, unit: 'mm' }, borders: [{ width: 4, paint: '#ff0000', echo }] }))!; // prettier-ignore
  expect(svg).toMatch(/^<svg [^>]*width="80mm" height="60mm" viewBox="0 0 80 60">/);
  const paths = [...svg.matchAll(/<path d="([^"]+)" fill="([^"]+)"(?: fill-opacity="([^"]+)")? fill-rule="evenodd"(?: transform="([^"]+)")?/g)]; // prettier-ignore
  expect(new Set(paths.map(([, d]) => d)).size).toBe(1);
  expect(paths.map(([, , fill, opacity]) => [fill, opacity])).toEqual([
    ['rgb(0 0 255)', '0.125'],
    ['rgb(85 0 170)', '0.25'],
    ['rgb(170 0 85)', '0.5'],
    ['rgb(255 0 0)', undefined],
  ]);
  // A quarter turn about the middle, half as large.
  expect(paths[2]![4]!.split(/[ (]/).slice(1).map(parseFloat)).toEqual([0, 0.5, -0.5, 0, 55, 10]);
});
