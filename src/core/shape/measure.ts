/** Measures of outlines, exact for cubics. */
import polylabel from 'polylabel';
import { boundsOfOutline } from './bounds';
import { derivativeAt, GAUSS, lengthTo, pointAt } from './cubic';
import { boundsOf, flatten, type Polygon } from './flatten';
import type { Cubic, Outline, Point } from './path';

/** Sums an integral over every cubic; `term` is given point and derivative by the parameter. */
function integrate(outline: Outline, term: (point: Point, by: Point) => number): number {
  let sum = 0;
  for (const { start, cubics } of outline) {
    let from = start;
    for (const cubic of cubics) {
      sum += integrateCubic(from, cubic, term);
      from = [cubic[4], cubic[5]];
    }
  }
  return sum;
}

/** Eight points of Gauss–Legendre: exact for polynomials up to degree 15, so for moments of cubics. */
function integrateCubic(from: Point, cubic: Cubic, term: (point: Point, by: Point) => number): number {
  const value = (t: number) => term(pointAt(from, cubic, t), derivativeAt(from, cubic, t));
  return GAUSS.reduce((sum, [node, weight]) => sum + (weight / 2) * (value(0.5 - node / 2) + value(0.5 + node / 2)), 0);
}

/** Area by Green's theorem, ½∮(x·dy − y·dx): holes count against it. Square frame units. */
export const areaOf = (outline: Outline): number => integrate(outline, ([x, y], [dx, dy]) => (x * dy - y * dx) / 2);

/** Length of all contours, frame units. */
export function perimeterOf(outline: Outline): number {
  let sum = 0;
  for (const { start, cubics } of outline) {
    let from = start;
    for (const cubic of cubics) {
      sum += lengthTo(from, cubic, 1);
      from = [cubic[4], cubic[5]];
    }
  }
  return sum;
}

/** Centre of area: (∮½x²·dy, −∮½y²·dx) / area. */
export function centroidOf(outline: Outline): Point {
  const area = areaOf(outline);
  return [
    integrate(outline, ([x], [, dy]) => (x * x * dy) / 2) / area,
    -integrate(outline, ([, y], [dx]) => (y * y * dx) / 2) / area,
  ];
}

/** Signed area of a polygon by the shoelace formula. */
export function polygonArea(polygon: Polygon): number {
  let twice = 0;
  let from = polygon[polygon.length - 1];
  for (const to of polygon) {
    twice += from![0] * to[1] - to[0] * from![1];
    from = to;
  }
  return twice / 2;
}

export type Pole = { readonly point: Point; readonly distance: number };

/** The point furthest from the edge, its distance to it, within a thousandth of the outline's size (pole of inaccessibility). */
export const visualCentreOf = (outline: Outline): Pole => poleOf(flatten(outline, 1));

/** The same of polygons; holes turn the other way. */
export function poleOf(polygons: readonly Polygon[]): Pole {
  const [left, top, right, bottom] = boundsOf(polygons)!;
  const size = Math.max(right - left, bottom - top);
  const rings = polygons.map((polygon) => polygon.map(([x, y]) => [x, y]));
  const holes = rings.filter((ring) => polygonArea(ring as unknown as Polygon) < 0);
  const outers = rings.filter((ring) => polygonArea(ring as unknown as Polygon) >= 0);
  const poles = outers.map((outer) => polylabel([outer, ...holes], size / 1000));
  const best = poles.reduce((a, b) => (b.distance > a.distance ? b : a));
  return { point: [best[0]!, best[1]!], distance: best.distance };
}

export type ShapeMeasures = {
  readonly area: number;
  readonly perimeter: number;
  readonly bounds: readonly [left: number, top: number, right: number, bottom: number];
  readonly centroid: Point;
  readonly visualCentre: Point;
};

/** Everything about an outline that is quick to work out. */
export function measureOutline(outline: Outline): ShapeMeasures {
  return {
    area: areaOf(outline),
    perimeter: perimeterOf(outline),
    bounds: boundsOfOutline(outline),
    centroid: centroidOf(outline),
    visualCentre: visualCentreOf(outline).point,
  };
}

/** Share of the frame that an outline covers. */
export const areaShare = (
  outline: Outline,
  { width, height }: { readonly width: number; readonly height: number },
): number => areaOf(outline) / (width * height);
