import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { WobrelError } from '../errors';
import { coverage } from '../raster';
import { resvgAlpha } from '../testing/reference';
import { unite } from '../shape/combine';
import { flatten } from '../shape/flatten';
import { areaOf, measureOutline } from '../shape/measure';
import { completeShape, outlineOf } from '../shape/shape';
import { shapeSchema } from '../shape/schema';
import { clipPath, readSvg, writeSvg } from '.';

const svg = (inner: string, attributes = 'width="200" height="200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inner}</svg>`;
const whole = (text: string) => unite(readSvg(text).parts);
const bounds = (text: string) => measureOutline(whole(text)).bounds.map((v) => Math.round(v * 100) / 100);

test('what is nested a hundred thousand times in defs is refused with a sentence, not an overflow', () => {
  const nested = (times: number, inner: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg"><defs>${'<g>'.repeat(times)}${inner}${'</g>'.repeat(times)}</defs><path d="M0 0H9V9Z"/></svg>`;
  expect(() => readSvg(nested(100_000, ''))).toThrow(WobrelError);
  expect(() => readSvg(nested(3000, '<script/>'))).toThrow('The file holds a script.');
});

describe('files as other programs draw them', () => {
  // Bootstrap Icons (MIT): paths with arcs, curves, holes by either rule; letters among them.
  const folder = 'node_modules/bootstrap-icons/icons';
  const letters = readdirSync(folder).filter((name) =>
    /^(type-|fonts|alphabet|badge-(4k|8k|3d|ar|cc|hd)|filetype-(svg|png|jpg))/.test(name),
  );
  const others = readdirSync(folder).filter((_, i) => i % 53 === 7);
  const files = [...letters.slice(0, 20), ...others];

  test(`${files.length} files of Bootstrap Icons cover what resvg covers`, () => {
    expect(files.length).toBeGreaterThan(50);
    const size = 160;
    for (const name of files) {
      const text = readFileSync(`${folder}/${name}`, 'utf8').replace(
        /width="16" height="16"/,
        `width="${size}" height="${size}"`,
      );
      const ours = coverage(flatten(whole(text), 1), { left: 0, top: 0, width: size, height: size });
      const theirs = resvgAlpha(text, size, size);
      let [apart, far] = [0, 0];
      ours.forEach((v, i) => {
        const d = Math.abs(v - theirs[i]! / 255);
        apart += d;
        if (d > 0.25) far++;
      });
      // Edge pixels differ by resvg's own error; a whole part missing would be hundreds of pixels.
      expect({ name, far, mean: apart / size ** 2 < 0.004 }).toEqual({ name, far: 0, mean: true });
    }
  });
});

test.each([
  ['rect', '<rect x="20" y="30" width="100" height="60"/>', [20, 30, 120, 90], 6000],
  [
    'rect with round corners',
    '<rect x="20" y="30" width="100" height="60" rx="10"/>',
    [20, 30, 120, 90],
    6000 - (4 - Math.PI) * 100,
  ],
  ['circle', '<circle cx="50" cy="60" r="40"/>', [10, 20, 90, 100], Math.PI * 1600],
  ['ellipse', '<ellipse cx="50" cy="60" rx="40" ry="20"/>', [10, 40, 90, 80], Math.PI * 800],
  ['polygon', '<polygon points="0,0 100,0 50,80"/>', [0, 0, 100, 80], 4000],
  ['polyline, closed by filling', '<polyline points="0 0 100 0 50 80"/>', [0, 0, 100, 80], 4000],
  ['path', '<path d="M0 0H50V50H0Z"/>', [0, 0, 50, 50], 2500],
  ['units', '<rect width="1in" height="25.4mm"/>', [0, 0, 96, 96], 9216],
  ['percentages', '<rect width="50%" height="25%"/>', [0, 0, 100, 50], 5000],
  [
    'a moved and turned group',
    '<g transform="translate(100 50) rotate(90)"><rect width="40" height="20"/></g>',
    [80, 50, 100, 90],
    800,
  ],
  [
    'groups within groups',
    '<g transform="scale(2)"><g transform="translate(10,5)"><rect width="10" height="10"/></g></g>',
    [20, 10, 40, 30],
    400,
  ],
  ['a skewed path', '<path transform="skewX(45)" d="M0 0H20V20H0Z"/>', [0, 0, 40, 20], 400],
  [
    'a nested document',
    '<svg x="50" y="20" width="100" height="100" viewBox="0 0 10 10"><rect width="5" height="5"/></svg>',
    [50, 20, 100, 70],
    2500,
  ],
  ['a hole by evenodd', '<path fill-rule="evenodd" d="M0 0H60V60H0ZM20 20H40V40H20Z"/>', [0, 0, 60, 60], 3200],
  ['the same by style', '<path style="fill-rule: evenodd" d="M0 0H60V60H0ZM20 20H40V40H20Z"/>', [0, 0, 60, 60], 3200],
  ['no hole by nonzero', '<path d="M0 0H60V60H0ZM20 20H40V40H20Z"/>', [0, 0, 60, 60], 3600],
  [
    'hidden and unfilled parts left out',
    '<rect width="9" height="9"/><rect width="99" height="99" fill="none"/><g display="none"><rect width="99" height="99"/></g>',
    [0, 0, 9, 9],
    81,
  ],
  [
    'what is only defined left out',
    '<defs><rect width="99" height="99"/></defs><rect width="9" height="9"/>',
    [0, 0, 9, 9],
    81,
  ],
])('reads %s', (_, inner, box, area) => {
  expect(bounds(svg(inner))).toEqual(box);
  expect(Math.abs(areaOf(whole(svg(inner))) / area - 1)).toBeLessThan(1e-4);
});

test('viewBox and preserveAspectRatio (SVG 2 §8.6) place the drawing in its port', () => {
  const inner = '<rect width="10" height="10"/>';
  expect(bounds(svg(inner, 'width="200" height="100" viewBox="0 0 10 10"'))).toEqual([50, 0, 150, 100]);
  expect(
    bounds(svg(inner, 'width="200" height="100" viewBox="0 0 10 10" preserveAspectRatio="xMinYMin meet"')),
  ).toEqual([0, 0, 100, 100]);
  expect(bounds(svg(inner, 'width="200" height="100" viewBox="0 0 10 10" preserveAspectRatio="none"'))).toEqual([
    0, 0, 200, 100,
  ]);
  expect(
    bounds(svg(inner, 'width="200" height="100" viewBox="0 0 10 10" preserveAspectRatio="xMidYMid slice"')),
  ).toEqual([0, -50, 200, 150]);
  expect(bounds(svg(inner, 'width="50mm" height="50mm" viewBox="0 0 10 10"'))).toEqual([0, 0, 188.98, 188.98]);
  expect(bounds(svg(inner, 'viewBox="5 5 10 10"'))).toEqual([-5, -5, 5, 5]);
});

test.each([
  ['<!DOCTYPE svg><svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>', /DOCTYPE/],
  ['<!DOCTYPE x [<!ENTITY a "aaaa">]><svg/>', /DOCTYPE/],
  [svg('<script>alert(1)</script><rect width="9" height="9"/>'), /script/],
  [svg('<defs><script/></defs><rect width="9" height="9"/>'), /script/],
  [svg('<rect width="9" height="9" onclick="x()"/>'), /script/],
  [svg('<rect width="9" height="9" fill="url(http://example.org/a.svg#p)"/>'), /outside/],
  [svg('<image href="http://example.org/a.png" width="9" height="9"/>'), /outside|picture/],
  [svg('<use href="other.svg#a"/>'), /outside|reference/],
  [svg('<foreignObject><p>hello</p></foreignObject>'), /foreign/],
  [svg('<text>Hi</text>'), /text/],
  [svg('<path d="M0 0 L9 9" fill="none" stroke="#000"/>'), /no filled outline/],
  [svg(''), /no filled outline/],
  [svg('<path d="M0 0 nonsense"/>'), /can’t be read/],
  ['<svg xmlns="http://www.w3.org/2000/svg"><rect', /well-formed/],
  ['<html><body/></html>', /not an SVG/],
  ['', /well-formed/],
  [svg(`<path d="M0 0${'l1 1'.repeat(600_000)}z"/>`), /larger than 2 MB/],
  [svg(`${'<g>'.repeat(200)}<rect width="9" height="9"/>${'</g>'.repeat(200)}`), /too deeply/],
])('refuses in a sentence: %.60s', (text, sentence) => {
  expect(() => readSvg(text)).toThrow(sentence);
  expect(() => readSvg(text)).toThrow(WobrelError);
});

test('whatever comes in, nothing crashes or becomes NaN', () => {
  const pieces = fc.constantFrom(
    '<svg',
    '<g',
    '<path d="M0 0',
    'H9V9Z"',
    '/>',
    '>',
    '</g>',
    '</svg>',
    ' transform="',
    'rotate(',
    ')"',
    ' viewBox="0 0 0 1"',
    '<rect width="',
    '9" height="1e309"',
    ' x="NaN"',
    '&',
    '<!--',
    '-->',
    '9',
    ' ',
  );
  fc.assert(
    fc.property(fc.array(pieces, { maxLength: 25 }), (list) => {
      try {
        const { parts } = readSvg(`<svg xmlns="http://www.w3.org/2000/svg">${list.join('')}</svg>`);
        expect(
          parts
            .flat()
            .flatMap((c) => c.cubics.flat())
            .every(Number.isFinite),
        ).toBe(true);
      } catch (error) {
        expect(error).toBeInstanceOf(WobrelError);
      }
    }),
    { numRuns: 500 },
  );
});

describe('taken out and brought in again', () => {
  const FRAME = { width: 500, height: 400 };
  const shapes = ['heart', 'ring', 'star', 'bubble', 'ticket', 'superellipse'].map((kind) =>
    outlineOf(completeShape(shapeSchema.parse({ kind, box: { cx: 240, cy: 210, width: 300, height: 200 } }), FRAME)),
  );

  test('every point is the same within 0.001 of a frame unit', () => {
    for (const outline of shapes) {
      const back = whole(writeSvg(outline, { ...FRAME, unit: 'px' }));
      expect(Math.abs(areaOf(back) - areaOf(outline))).toBeLessThan(0.5);
      const far = (from: typeof outline, to: typeof outline) =>
        Math.max(
          ...from.flatMap((c) =>
            c.cubics.map(([, , , , x, y]) =>
              Math.min(...to.flatMap((k) => k.cubics.map((q) => Math.hypot(q[4] - x, q[5] - y)))),
            ),
          ),
        );
      expect(far(back, outline)).toBeLessThan(0.001);
    }
  });

  test('the file says its exact size in the frame’s unit', () => {
    const text = writeSvg(shapes[0]!, { width: 110, height: 55, unit: 'mm' });
    expect(text).toMatch(/^<svg [^>]*width="110mm" height="55mm" viewBox="0 0 110 55"><path d="M/);
    expect(text.match(/<path/g)).toHaveLength(1);
  });

  test('as CSS clip-path it is one path in pixels that begins at the element’s corner', () => {
    const css = clipPath(shapes[0]!, 2);
    expect(css).toMatch(/^path\("M[-\d. CLZM]+"\)$/);
    const [left, top, right, bottom] = measureOutline(whole(svg(`<path d="${css.slice(6, -2)}"/>`))).bounds;
    [left, top, right - 600, bottom - 400].forEach((v) => expect(Math.abs(v)).toBeLessThan(0.01));
  });
});
