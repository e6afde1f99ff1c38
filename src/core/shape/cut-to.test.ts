import { difference, union } from './offset';
import { cutTo, type Rectangle } from './cut-to';
import { polygonArea } from './measure';
import { seededShares } from './seeded';
import type { Polygon } from './flatten';

const AREA: Rectangle = [-10, 0, 90, 60];
const [left, top, right, bottom] = AREA;
const whole: Polygon = [[left, top], [right, top], [right, bottom], [left, bottom]]; // prettier-ignore
const ring = (cx: number, cy: number, r: number): Polygon[] =>
  [r, -0.8 * r].map((k) => {
    const around = Array.from({ length: 40 }, (_, i): readonly [number, number] => [cx + Math.abs(k) * Math.cos((Math.PI * i) / 20), cy + Math.abs(k) * Math.sin((Math.PI * i) / 20)]); // prettier-ignore
    return k > 0 ? around : around.reverse();
  });
const areaOf = (polygons: readonly Polygon[]) => union(polygons).reduce((sum, one) => sum + polygonArea(one), 0);

test('random outlines that run across themselves: what Clipper leaves of them within', () => {
  for (let seed = 0; seed < 40; seed++) {
    const by = seededShares(seed, 18);
    const polygon = Array.from({ length: 9 }, (_, i): readonly [number, number] => [by[2 * i]! * 200 - 60, by[2 * i + 1]! * 140 - 40]); // prettier-ignore
    const outside = areaOf(difference([polygon], [whole]));
    expect(areaOf(cutTo([polygon], AREA))).toBeCloseTo(areaOf([polygon]) - outside, 3);
  }
});

test('of a ring its part, all or nothing, however large it is', () => {
  expect(cutTo(ring(40, 30, 20), AREA)).toHaveLength(2);
  expect(areaOf(cutTo(ring(40, 30, 20), AREA))).toBeCloseTo(areaOf(ring(40, 30, 20)), 6);
  for (const r of [1e3, 1e9, 1e15]) expect(areaOf(cutTo(ring(40, 30, r), AREA))).toBe(0);
  // Between its rims: the rectangle.
  expect(areaOf(cutTo(ring(40 + 0.9e9, 30, 1e9), AREA))).toBeCloseTo(6000, 3);
  expect(cutTo(ring(500, 30, 20), AREA)).toEqual([]);
});
