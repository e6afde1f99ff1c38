/** SVG path data into contours and back. */
import svgpath from 'svgpath';
import { WobrelError } from '../errors';
import { svgArc } from './arc';
import { isStraight } from './cubic';
import { straight, type Contour, type Cubic, type Outline, type Point } from './path';

/** More segments than any drawn shape has; guards against files made to exhaust memory. */
const MAX_SEGMENTS = 100_000;

/** Arcs of a smaller radius are straight lines: their arithmetic would leave the numbers that there are. */
const LEAST_RADIUS = 1e-6;

/** Beyond this, coordinates lose the precision that shapes need. */
const FARTHEST = 1e7;

function refuse(why: string): never {
  throw new WobrelError('path-invalid', `the path can’t be read: ${why}`);
}

/** A quadratic curve as a cubic (degree elevation). */
const fromQuadratic = ([x0, y0]: Point, qx: number, qy: number, x: number, y: number): Cubic => [
  x0 + (2 / 3) * (qx - x0), y0 + (2 / 3) * (qy - y0), x + (2 / 3) * (qx - x), y + (2 / 3) * (qy - y), x, y,
]; // prettier-ignore

/**
 * Reads path data by the grammar of SVG 2 chapter 9: every command, relative and absolute.
 * Subpaths are closed, as filling closes them; those without any extent are left out.
 * What comes out may overlap itself.
 *
 * @throws WobrelError `path-invalid`
 */
export function parsePathData(d: string): Contour[] {
  const path = svgpath(d);
  const { err } = path as unknown as { err: string };
  if (err) refuse(err.replace(/^SvgPath: /, ''));
  const contours: Contour[] = [];
  let [start, at]: Point[] = [[0, 0], [0, 0]] as const as unknown as Point[]; // prettier-ignore
  let cubics: Cubic[] = [];
  let count = 0;
  const finish = () => {
    if (cubics.length === 0) return;
    if (at![0] !== start![0] || at![1] !== start![1]) cubics.push(straight(at!, start!));
    if (cubics.some(([, , , , x, y]) => x !== start![0] || y !== start![1]) || cubics.length > 1)
      contours.push({ start: start!, cubics });
    cubics = [];
  };
  const add = (cubic: Cubic) => {
    cubics.push(cubic);
    at = [cubic[4], cubic[5]];
  };
  path
    .abs()
    .unshort()
    .iterate((segment) => {
      const [command, ...v] = segment as unknown as [string, ...number[]];
      if (++count > MAX_SEGMENTS) refuse('it has too many segments');
      if (v.some((n) => !Number.isFinite(n) || Math.abs(n) > FARTHEST)) refuse('a coordinate is out of range');
      const [x0, y0] = at!;
      switch (command) {
        case 'M':
          finish();
          start = at = [v[0]!, v[1]!];
          break;
        case 'L':
          add(straight(at!, [v[0]!, v[1]!]));
          break;
        case 'H':
          add(straight(at!, [v[0]!, y0]));
          break;
        case 'V':
          add(straight(at!, [x0, v[0]!]));
          break;
        case 'C':
          add(v as unknown as Cubic);
          break;
        case 'Q':
          add(fromQuadratic(at!, v[0]!, v[1]!, v[2]!, v[3]!));
          break;
        case 'A':
          // SVG 2 §9.5.1: without a radius the arc is a straight line; one too small to be seen is none.
          if (Math.abs(v[0]!) < LEAST_RADIUS || Math.abs(v[1]!) < LEAST_RADIUS) add(straight(at!, [v[5]!, v[6]!]));
          else svgArc(at!, [v[5]!, v[6]!], [v[0]!, v[1]!], v[2]!, v[3] !== 0, v[4] !== 0).forEach(add);
          break;
        case 'Z':
          finish();
          at = start;
          break;
      }
    });
  finish();
  return contours;
}

const number = (v: number, decimals: number) => String(Number(v.toFixed(decimals)));

/** Path data of an outline: one subpath a contour, straight sides as lines. */
export function pathData(outline: Outline, decimals = 4): string {
  const write = (values: readonly number[]) => values.map((v) => number(v, decimals)).join(' ');
  return outline
    .map(({ start, cubics }) => {
      let at = start;
      const strokes = cubics.map((cubic, i) => {
        const line = isStraight(at, cubic);
        at = [cubic[4], cubic[5]];
        // Closing draws the last straight side.
        if (line && i === cubics.length - 1) return '';
        return line ? `L${write([cubic[4], cubic[5]])}` : `C${write(cubic)}`;
      });
      return `M${write(start)}${strokes.join('')}Z`;
    })
    .join('');
}
