/** Which side of the outline the photo is on: within it, or around it as around a window. */
import type { PaintBox } from '../paint';
import { boundsOf, flatten, type Outline, type Polygon } from '../shape';
import { pictureOf, templateOutline, type Template } from '../template';
import { boxOf } from './paints';

/** The photo's own outline in pixels of the picture, and what else hangs on its side. */
export type Sided = {
  readonly outline: readonly Polygon[];
  /** What a gradient over the photo fills: the shape's bounds, or the frame. */
  readonly photoBox: PaintBox;
  /** Around a window the photo ends at the frame; null where that is the picture's own rim, or the outline itself ends it. */
  readonly clip: readonly Polygon[] | null;
  /** Of an outline's offsets those that lie along the shape. */
  readonly alongShape: (polygons: readonly Polygon[]) => readonly Polygon[];
};

/** The photo's rim beyond the picture lies so many pictures away that no layer reaches in from there. */
const FAR = 4;

/** How far any layer can lie from what it follows, frame units. */
const reachOf = ({ shadows, borders, edge }: Template): number =>
  2 * edge.feather +
  shadows.reduce((sum, { x, y, blur, spread }) => sum + Math.abs(x) + Math.abs(y) + 2 * blur + Math.abs(spread), 0) +
  borders.reduce((sum, { width, gap }) => sum + width + gap, 0);

const rectangle = ([left, top, right, bottom]: readonly [number, number, number, number]): Polygon => [
  [left, top],
  [right, top],
  [right, bottom],
  [left, bottom],
];

/**
 * A template as it is drawn so many pixels wide.
 *
 * @param outline another one than its own
 */
export function sidedIn(template: Template, width: number, outline: Outline = templateOutline(template)): Sided {
  const picture = pictureOf(template);
  const scale = width / picture.width;
  const [x, y] = [-picture.left * scale, -picture.top * scale];
  const flat = flatten(outline, scale);
  const shape = x === 0 && y === 0 ? flat : flat.map((polygon) => polygon.map(([px, py]) => [px + x, py + y] as const));
  if (template.mode === 'cutout')
    return { outline: shape, photoBox: boxOf(shape), clip: null, alongShape: (polygons) => polygons };
  const { frame } = template;
  const ends = [x, y, x + frame.width * scale, y + frame.height * scale] as const;
  const away = FAR * (width + picture.height * scale) + reachOf(template) * scale;
  const far = rectangle([-away, -away, width + away, picture.height * scale + away]);
  const hasMat = picture.width > frame.width || picture.height > frame.height;
  return {
    outline: [far, ...shape.map((polygon) => [...polygon].reverse())],
    photoBox: { left: x, top: y, width: frame.width * scale, height: frame.height * scale },
    clip: hasMat ? [rectangle(ends)] : null,
    alongShape: (polygons) => polygons.filter((polygon) => boundsOf([polygon])![0] > -away / 2),
  };
}

const OTHER_SIDE = { inside: 'outside', outside: 'inside', centre: 'centre' } as const;

/**
 * A template whose fade lies where a cutout's does: cutout and window of one shape add up to the whole photo,
 * so of a photo around a window it is on the other side.
 */
export const withFadeSided = <T extends Pick<Template, 'mode' | 'edge'>>(template: T): T =>
  template.mode === 'cutout'
    ? template
    : { ...template, edge: { ...template.edge, featherSide: OTHER_SIDE[template.edge.featherSide] } };
