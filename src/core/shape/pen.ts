/** Draws one closed contour stroke by stroke, y down. */
import { arcCubics, straight, type Contour, type Cubic, type Point } from './path';

export type Pen = {
  readonly line: (x: number, y: number) => Pen;
  readonly curve: (c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number) => Pen;
  /**
   * An arc of the ellipse around (cx, cy) from angle `from` through `sweep` (radians,
   * clockwise); a straight line leads to where it begins.
   */
  readonly arc: (cx: number, cy: number, rx: number, ry: number, from: number, sweep: number) => Pen;
  /** The contour, closed by a straight line where the pen is not back at its start. */
  readonly close: () => Contour;
};

/** Nearer than this, two points are one: far below what a pixel shows. */
const SAME = 1 / 4096;

const same = (a: Point, b: Point) => Math.abs(a[0] - b[0]) <= SAME && Math.abs(a[1] - b[1]) <= SAME;

/** A pen that stands at (x, y). */
export function pen(x: number, y: number): Pen {
  const start: Point = [x, y];
  const cubics: Cubic[] = [];
  let at = start;
  const add = (cubic: Cubic) => {
    cubics.push(cubic);
    at = [cubic[4], cubic[5]];
  };
  const self: Pen = {
    line: (toX, toY) => {
      if (!same(at, [toX, toY])) add(straight(at, [toX, toY]));
      return self;
    },
    curve: (...cubic) => {
      add(cubic);
      return self;
    },
    arc: (cx, cy, rx, ry, from, sweep) => {
      self.line(cx + rx * Math.cos(from), cy + ry * Math.sin(from));
      if (rx > 0 && ry > 0) arcCubics(cx, cy, rx, ry, from, sweep).forEach(add);
      return self;
    },
    close: () => {
      const last = cubics[cubics.length - 1];
      if (!same(at, start)) add(straight(at, start));
      // The last stroke ends exactly where the first began.
      else if (last) cubics[cubics.length - 1] = [last[0], last[1], last[2], last[3], start[0], start[1]];
      return { start, cubics };
    },
  };
  return self;
}
