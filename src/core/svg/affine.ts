/** Transforms of SVG elements. */
import svgpath from 'svgpath';
import { type Affine, IDENTITY } from '../shape';
import { lengthOf, numbersOf } from './lengths';

/** The matrix of a transform list (svgpath reads the list): where it takes the origin and the two unit points. */
export function transformOf(text: string | null): Affine {
  if (!text) return IDENTITY;
  const points: number[][] = [];
  svgpath('M0 0L1 0L0 1')
    .transform(text)
    .abs()
    .iterate((segment) => {
      points.push((segment as unknown as [string, number, number]).slice(1) as number[]);
    });
  const [[e, f], [ax, ay], [cx, cy]] = points as [[number, number], [number, number], [number, number]];
  return [ax - e, ay - f, cx - e, cy - f, e, f];
}

type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

const ALIGN: Readonly<Record<string, number>> = { min: 0, mid: 0.5, max: 1 };

/** What a viewBox and preserveAspectRatio do (SVG 2 §8.6, "equivalent transform"). */
export function viewBoxTransform(viewBox: string | null, aspect: string | null, port: Box): Affine {
  const [vx, vy, vw, vh] = numbersOf(viewBox ?? '');
  if (vw === undefined || vh === undefined || vw <= 0 || vh <= 0) return [1, 0, 0, 1, port.x, port.y];
  let [sx, sy] = [port.width / vw, port.height / vh];
  const match = /x(Min|Mid|Max)Y(Min|Mid|Max)(?:\s+(slice))?/.exec(aspect ?? 'xMidYMid');
  const alignX = ALIGN[(match?.[1] ?? 'Mid').toLowerCase()]!;
  const alignY = ALIGN[(match?.[2] ?? 'Mid').toLowerCase()]!;
  if (!/none/.test(aspect ?? '')) sx = sy = match?.[3] ? Math.max(sx, sy) : Math.min(sx, sy);
  const tx = port.x - vx! * sx + (port.width - vw * sx) * alignX;
  const ty = port.y - vy! * sy + (port.height - vh * sy) * alignY;
  return [sx, 0, 0, sy, tx, ty];
}

/** The port of an svg element within `whole`. */
export function portOf(get: (name: string) => string | null, whole: Box, nested: boolean): Box {
  const view = numbersOf(get('viewBox') ?? '');
  const width = lengthOf(get('width'), whole.width) ?? (nested ? whole.width : (view[2] ?? whole.width));
  const height = lengthOf(get('height'), whole.height) ?? (nested ? whole.height : (view[3] ?? whole.height));
  const place = nested
    ? { x: lengthOf(get('x'), whole.width) ?? 0, y: lengthOf(get('y'), whole.height) ?? 0 }
    : { x: 0, y: 0 };
  return { ...place, width, height };
}
