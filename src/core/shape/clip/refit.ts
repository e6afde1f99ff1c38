/** Long runs of tiny pieces, as outlines that nearly coincide leave them, into few curves. */
import fitCurve from 'fit-curve';
import { endDirection, startDirection } from '../cubic';
import { snap, type Contour, type Cubic, type Point } from '../path';

/** Turns of more than this (cosine of 8°) are corners, which stay. */
const CORNER = Math.cos((8 * Math.PI) / 180);

/** Fewer pieces than this in a run are left as they are. */
const MANY = 16;

function isCorner(before: Cubic, from: Point, beforeFrom: Point, cubic: Cubic): boolean {
  const [ax, ay] = endDirection(beforeFrom, before);
  const [bx, by] = startDirection(from, cubic);
  return ax * bx + ay * by < CORNER;
}

/**
 * The contour with every run of many smooth pieces fitted by curves (Schneider 1990, by fit-curve).
 *
 * @param tolerance largest distance that fitting may move the outline by, in its units
 */
export function refit({ start, cubics }: Contour, tolerance: number): Contour {
  if (cubics.length < MANY) return { start, cubics };
  const starts: Point[] = [start, ...cubics.slice(0, -1).map((c): Point => [c[4], c[5]])];
  const n = cubics.length;
  const corners = cubics.flatMap((cubic, i) =>
    isCorner(cubics[(i + n - 1) % n]!, starts[i]!, starts[(i + n - 1) % n]!, cubic) ? [i] : [],
  );
  // A contour without corners is cut into four, so that no run ends where it begins.
  const cuts = corners.length > 1 ? corners : [0, n >> 2, n >> 1, (3 * n) >> 2];
  const fitted: Cubic[] = [];
  cuts.forEach((from, k) => {
    const to = k + 1 < cuts.length ? cuts[k + 1]! : cuts[0]! + n;
    const run = Array.from({ length: to - from }, (_, i) => (from + i) % n);
    if (run.length < MANY) fitted.push(...run.map((i) => cubics[i]!));
    else
      fitted.push(
        ...fitRun(
          run.map((i) => starts[i]!),
          cubics[run[run.length - 1]!]!,
          tolerance,
        ),
      );
  });
  const last = fitted[fitted.length - 1]!;
  return { start: [last[4], last[5]], cubics: fitted };
}

function fitRun(points: readonly Point[], last: Cubic, tolerance: number): Cubic[] {
  const all = [...points, [last[4], last[5]] as const].map(([x, y]): [number, number] => [x, y]);
  return fitCurve(all, tolerance * tolerance).map(([, [ax, ay], [bx, by], [x, y]]): Cubic => [
    snap(ax), snap(ay), snap(bx), snap(by), snap(x), snap(y),
  ]); // prettier-ignore
}
