import { z } from 'zod';
import { defineShape, lengthParam } from '../definition';
import { arcCubics, polygonContour, type Cubic, type Point } from '../path';

const length = lengthParam();

/** Where each corner's arc has its middle and begins: left top, right top, right bottom, left bottom. */
const CORNERS = [
  { x: -1, y: -1, from: Math.PI },
  { x: 1, y: -1, from: -Math.PI / 2 },
  { x: 1, y: 1, from: 0 },
  { x: -1, y: 1, from: Math.PI / 2 },
] as const;

/**
 * Rectangle with a radius for each corner, in the order of CSS border-radius: left top,
 * right top, right bottom, left bottom. Radii that don't fit are all scaled by one
 * factor (CSS Backgrounds 3 §4.5).
 */
export const rectangle = defineShape({
  kind: 'rectangle',
  label: 'Rectangle',
  also: ['box', 'card', 'oblong'],
  aspect: 4 / 3,
  anyProportion: true,
  params: { radii: z.tuple([length, length, length, length]).default([0, 0, 0, 0]) },
  controls: { radii: { label: 'Corner radius', as: 'corners' } },
  handles: {
    radii: ({ radii }, { width: w, height: h }, corner) => {
      const { x, y } = CORNERS[corner]!;
      return [x * (w / 2 - Math.min(radii[corner]!, w / 2)), (y * h) / 2];
    },
  },
  outline: ({ radii }, { width, height }) => {
    const [a, b, c, d] = radii;
    const fit = Math.min(1, width / (a + b), width / (c + d), height / (b + c), height / (d + a));
    let at: Point | null = null;
    let start: Point | null = null;
    const cubics: Cubic[] = [];
    CORNERS.forEach(({ x, y, from }, i) => {
      const r = radii[i]! * fit;
      const [cx, cy] = [x * (width / 2 - r), y * (height / 2 - r)];
      const begin: Point = [cx + r * Math.round(Math.cos(from)), cy + r * Math.round(Math.sin(from))];
      if (at && (at[0] !== begin[0] || at[1] !== begin[1])) cubics.push(polygonContour([at, begin]).cubics[0]!);
      start ??= begin;
      at = begin;
      if (r > 0) {
        cubics.push(...arcCubics(cx, cy, r, r, from, Math.PI / 2));
        const end = cubics[cubics.length - 1]!;
        at = [end[4], end[5]];
      }
    });
    cubics.push(polygonContour([at!, start!]).cubics[0]!);
    return [{ start: start!, cubics }];
  },
});
