import fc from 'fast-check';
import { WobrelError } from '../errors';
import { resvgPathCoverage } from '../testing/reference';
import { coverage } from '../raster';
import { boundsOfOutline } from './bounds';
import { resolve } from './combine';
import { flatten } from './flatten';
import { areaOf } from './measure';
import { parsePathData, pathData } from './path-data';

const area = (d: string) => areaOf(resolve(parsePathData(d), 'nonzero'));

describe('every command of SVG 2 chapter 9, absolute and relative, draws the same', () => {
  test.each([
    ['L', 'M10 10L90 10L90 90L10 90Z', 'm10 10l80 0l0 80l-80 0z', 6400],
    ['H V', 'M10 10H90V90H10Z', 'm10 10h80v80h-80z', 6400],
    ['C', 'M10 50C10 0 90 0 90 50Z', 'm10 50c0-50 80-50 80 0z', 2400],
    ['S', 'M10 50C10 20 40 20 50 50S90 80 90 50Z', 'm10 50c0-30 30-30 40 0s40 30 40 0z', null],
    ['Q', 'M10 90Q50 10 90 90Z', 'm10 90q40-80 80 0z', (2 / 3) * 80 * 40],
    ['T', 'M10 90Q30 50 50 90T90 90V95H10Z', 'm10 90q20-40 40 0t40 0v5h-80z', null],
    ['A', 'M10 50A40 40 0 0 1 90 50Z', 'm10 50a40 40 0 0 1 80 0z', (Math.PI * 1600) / 2],
  ])('%s', (_, absolute, relative, exact) => {
    expect(pathData(parsePathData(absolute))).toBe(pathData(parsePathData(relative)));
    if (exact !== null) expect(Math.abs(area(absolute) / exact - 1)).toBeLessThan(1e-4);
  });
});

test.each([
  ['numbers without spaces', 'M10-20A5.5.5 0 0 1 20 30', 'M 10 -20 A 5.5 0.5 0 0 1 20 30'],
  ['compact arc flags', 'M0 0a5 5 0 0110 0', 'M 0 0 a 5 5 0 0 1 10 0'],
  ['compact arc flags in a row', 'M0 0a5 5 0 1110 0 5 5 0 00-10 0', 'M0 0 a5 5 0 1 1 10 0 a5 5 0 0 0 -10 0'],
  ['repeated commands left out', 'M0 0 10 0 10 10', 'M0 0L10 0L10 10'],
  ['relative moves repeated are lines', 'm5 5 10 0 0 10', 'M5 5l10 0l0 10'],
  ['exponents and signs', 'M1e1+1E+1L-1.5e-1.5', 'M10 10L-0.15 0.5'],
  ['commas and line breaks', 'M0,0\n\tL10,0 , 10,10', 'M0 0L10 0L10 10'],
  ['a move after a close starts there', 'M10 10h10v10zl-5 5v5z', 'M10 10h10v10zM10 10l-5 5v5z'],
])('grammar: %s', (_, compact, plain) => {
  expect(pathData(parsePathData(compact))).toBe(pathData(parsePathData(plain)));
});

test('the worked examples of SVG 2 §9.3 have the bounds that can be read off them', () => {
  const bounds = (d: string) => boundsOfOutline(parsePathData(d)).map((v) => Math.round(v * 100) / 100);
  expect(bounds('M 100 100 L 300 100 L 200 300 z')).toEqual([100, 100, 300, 300]);
  // cubic01.svg: M100,200 C100,100 250,100 250,200 S400,300 400,200: its humps reach three quarters of the way.
  expect(bounds('M100,200 C100,100 250,100 250,200 S400,300 400,200')).toEqual([100, 125, 400, 275]);
  // quad01.svg: M200,300 Q400,50 600,300 T1000,300.
  expect(bounds('M200,300 Q400,50 600,300 T1000,300')).toEqual([200, 175, 1000, 425]);
  // arcs01.svg: three quarters of a disc of radius 150 around (300, 200).
  expect(bounds('M300,200 h-150 a150,150 0 1,0 150,-150 z')).toEqual([150, 50, 450, 350]);
});

test('an arc of radius 0 is a line; radii that are too small are enlarged (SVG 2 §9.5.1)', () => {
  expect(pathData(parsePathData('M0 0A0 5 0 0 1 10 10V0Z'))).toBe(pathData(parsePathData('M0 0L10 10V0Z')));
  expect(Math.abs(area('M0 0A1 1 0 0 1 20 0Z') / ((Math.PI * 100) / 2) - 1)).toBeLessThan(1e-4);
});

test.each([
  ['M0 0L10', /can’t be read/],
  ['hello', /can’t be read/],
  ['L10 10', /can’t be read/],
  ['M0 0 L1e9 0 L0 1', /out of range/],
  ['M0 0 A5 5 0 2 1 10 10', /can’t be read/],
])('%s is refused with a sentence', (d, message) => {
  expect(() => parsePathData(d)).toThrow(message);
  expect(() => parsePathData(d)).toThrow(WobrelError);
});

test('whatever comes in, nothing crashes, hangs or becomes NaN', () => {
  const letters = fc.string({ unit: fc.constantFrom(...'MmLlHhVvCcSsQqTtAaZz0123456789.,- eE+\n'), maxLength: 120 });
  fc.assert(
    fc.property(
      fc.oneof(
        letters,
        fc.string(),
        letters.map((t) => `M0 0${t}`),
      ),
      (d) => {
        try {
          const contours = parsePathData(d);
          expect(contours.flatMap((c) => [...c.start, ...c.cubics.flat()]).every(Number.isFinite)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(WobrelError);
        }
      },
    ),
    { numRuns: 2000 },
  );
});

test.each(['nonzero', 'evenodd'] as const)(
  'a path that crosses itself is filled by the rule %s as resvg fills it',
  (rule) => {
    const d = 'M100 10L40 190L190 70L10 70L160 190ZM60 60H140V140H60Z';
    const ours = coverage(flatten(resolve(parsePathData(d), rule), 1), { left: 0, top: 0, width: 200, height: 200 });
    const theirs = resvgPathCoverage(d, rule, 200, 200);
    const apart = ours.reduce((sum, v, i) => sum + Math.abs(v - theirs[i]! / 255), 0);
    // resvg's own edge pixels are off by up to 0.13; over some 1500 of them that averages out.
    expect(apart / 200).toBeLessThan(0.6);
    expect(ours.filter((v, i) => Math.abs(v - theirs[i]! / 255) > 0.2)).toEqual(new Float32Array(0));
  },
);
