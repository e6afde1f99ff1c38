import { readFileSync } from 'node:fs';
import { coverage } from '../../raster';
import { resvgPathCoverage } from '../../testing/reference';
import { boundsOfOutline } from '../../shape/bounds';
import { flatten } from '../../shape/flatten';
import { lettersPath } from './reader';
import { areaOf } from '../../shape/measure';
import { parsePathData } from '../../shape/path-data';
import { completeShape, outlineOf } from '../../shape/shape';
import { shapeSchema } from '../../shape/schema';

const font = (name: string) => new Uint8Array(readFileSync(`node_modules/@fontsource/${name}.woff2`));
const SLAB = font('alfa-slab-one/files/alfa-slab-one-latin-400-normal');
const SCRIPT = font('lobster/files/lobster-latin-400-normal');

const outlineFor = (d: string, text: string) =>
  outlineOf(
    completeShape(
      shapeSchema.parse({ kind: 'text', text, font: 'x', d, box: { cx: 100, cy: 100, width: 180, height: 90 } }),
      { width: 200, height: 200 },
    ),
  );

test.each([
  ['Brackwick', SLAB],
  ['Öfen & 8', SLAB],
  ['pots', SCRIPT],
])('“%s” fills its box, and covers what resvg covers, counters left open', (text, file) => {
  const d = lettersPath([file], text);
  const outline = outlineFor(d, text);
  boundsOfOutline(outline).forEach((v, i) => expect(Math.abs(v - [10, 55, 190, 145][i]!)).toBeLessThan(0.01));
  const [left, top, right, bottom] = boundsOfOutline(parsePathData(d));
  // The same letters at the size they were set in, drawn by resvg.
  const size = 300;
  const k = size / Math.max(right - left, bottom - top);
  const moved = d.replace(/([MLQC])([^MLQCZ]*)/g, (_, command: string, list: string) => command + list.trim().split(/[\s,]+|(?<=\d)(?=-)/).map((v, i) => (i % 2 ? (Number(v) - top) * k : (Number(v) - left) * k)).join(' ')); // prettier-ignore
  const theirs = resvgPathCoverage(moved, 'nonzero', size, size);
  const ours = coverage(
    flatten(outlineOf(completeShape(shapeSchema.parse({ kind: 'path', d: moved }), { width: size, height: size })), 1),
    { left: 0, top: 0, width: size, height: size },
  );
  expect(ours.filter((v, i) => Math.abs(v - theirs[i]! / 255) > 0.25)).toHaveLength(0);
  expect(areaOf(outline)).toBeGreaterThan(0.25 * 180 * 90);
});

test('wider text is longer in proportion to its letters', () => {
  const width = (text: string) => {
    const [left, , right] = boundsOfOutline(parsePathData(lettersPath([SLAB], text)));
    return right - left;
  };
  const step = width('nnn') - width('nn');
  expect(width('nnnn') - width('nnn')).toBeCloseTo(step, 1);
});

test('letters of other scripts come from the font’s other files, one after the other on one line', () => {
  const files = ['latin', 'latin-ext', 'cyrillic'].map((script) => font(`lobster/files/lobster-${script}-400-normal`));
  const right = (text: string) => boundsOfOutline(parsePathData(lettersPath(files, text)))[2];
  for (const text of ['Łódź', 'Żółw', 'Горшок', 'Pot и чаша']) expect(right(text)).toBeGreaterThan(500);
  const [both, left] = [right('HЖ'), right('H')];
  expect(both - left).toBeGreaterThan(300);
  expect(lettersPath(files, 'pots')).toBe(lettersPath([SCRIPT], 'pots'));
  expect(() => lettersPath([SCRIPT], 'Горшок')).toThrow('The font has no letter Г.');
});

test('a letter that the font lacks is named', () => {
  expect(() => lettersPath([SLAB], 'pot壺')).toThrow('The font has no letter 壺.');
  expect(() => lettersPath([SLAB], '  ')).toThrow('These letters have no outline.');
  expect(() => lettersPath([new Uint8Array(40)], 'a')).toThrow('The font can’t be read.');
});
