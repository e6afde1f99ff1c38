/** SVG's basic shapes as path data (SVG 2 chapter 10). */
import { lengthOf, numbersOf } from './lengths';

export type Port = { readonly width: number; readonly height: number };
type Get = (name: string) => string | null;

/** Path data of an element; null where it draws no area. */
type ToPath = (get: Get, port: Port) => string | null;

const across = (get: Get, name: string, port: Port) => lengthOf(get(name), port.width);
const down = (get: Get, name: string, port: Port) => lengthOf(get(name), port.height);

function oval(cx: number, cy: number, rx: number, ry: number): string | null {
  if (rx <= 0 || ry <= 0) return null;
  return `M${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}Z`;
}

const circle: ToPath = (get, port) => {
  // A percentage of a circle's radius is of the port's diagonal (SVG 2 §8.9).
  const r = lengthOf(get('r'), Math.hypot(port.width, port.height) / Math.SQRT2) ?? 0;
  return oval(across(get, 'cx', port) ?? 0, down(get, 'cy', port) ?? 0, r, r);
};

const ellipse: ToPath = (get, port) => {
  const [rx, ry] = [across(get, 'rx', port), down(get, 'ry', port)];
  return oval(across(get, 'cx', port) ?? 0, down(get, 'cy', port) ?? 0, rx ?? ry ?? 0, ry ?? rx ?? 0);
};

const rect: ToPath = (get, port) => {
  const [x, y] = [across(get, 'x', port) ?? 0, down(get, 'y', port) ?? 0];
  const [w, h] = [across(get, 'width', port) ?? 0, down(get, 'height', port) ?? 0];
  if (w <= 0 || h <= 0) return null;
  const [given, givenDown] = [across(get, 'rx', port), down(get, 'ry', port)];
  const rx = Math.min(given ?? givenDown ?? 0, w / 2);
  const ry = Math.min(givenDown ?? given ?? 0, h / 2);
  if (rx <= 0 || ry <= 0) return `M${x} ${y}h${w}v${h}h${-w}Z`;
  const corner = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  return `M${x + rx} ${y}h${w - 2 * rx}${corner(rx, ry)}v${h - 2 * ry}${corner(-rx, ry)}h${2 * rx - w}${corner(-rx, -ry)}v${2 * ry - h}${corner(rx, -ry)}Z`;
};

const polygon: ToPath = (get) => {
  const points = numbersOf(get('points') ?? '');
  return points.length >= 6 ? `M${points.slice(0, points.length - (points.length % 2)).join(' ')}Z` : null;
};

/** The elements that have an area, by name. */
export const ELEMENTS: Readonly<Record<string, ToPath>> = {
  path: (get) => get('d'),
  rect,
  circle,
  ellipse,
  polygon,
  polyline: polygon,
  line: () => null,
};
