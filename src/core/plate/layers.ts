/**
 * The stack of a template sorted into nested levels. Borders run along the shape's edge,
 * so their edges and the photo's are offsets of one outline, each inside the next. A
 * pixel on an edge is then split by area between the rings it touches, and no colour of
 * a lower layer bleeds out under a border's rim.
 */
import { isClear, isPicked, parseColour, type LinePaint, type Picked, type Rgba } from '../paint';
import { samePick } from './paints';
import type { Join } from '../shape';
import type { Border, Shadow } from '../layers';
import type { Template } from '../template';

/** An offset of the outline, in frame units, outwards positive. */
export type Level = { readonly distance: number; readonly join: Join };

/** What is seen between one level and the next one in. */
export type Ring = {
  /** All borders of this ring composited: premultiplied r, g, b and alpha, 0…1; where they are the same all round. */
  readonly over: readonly [r: number, g: number, b: number, alpha: number];
  /** The borders of this ring, the lowest first, where one of them is not. */
  readonly varying: readonly Border[] | null;
  readonly photo: boolean;
};

/** `rings[i]` lies inside `levels[i]` and outside `levels[i + 1]`. */
export type Layers = { readonly levels: readonly Level[]; readonly rings: readonly Ring[] };

/** Outer and inner edge of a border as offsets of the outline. `gap` moves it outwards, or inwards if it lies inside. */
export function borderBand({
  width,
  align,
  gap,
}: Pick<Border, 'width' | 'align' | 'gap'>): readonly [outer: number, inner: number] {
  if (align === 'inside') return [-gap, -gap - width];
  if (align === 'outside') return [gap + width, gap];
  return [gap + width / 2, gap - width / 2];
}

/** A colour with its layer's opacity. */
export function withOpacity(colour: string, opacity: number): Rgba {
  const rgba = parseColour(colour);
  return { ...rgba, alpha: rgba.alpha * opacity };
}

/** Source over in premultiplied form (W3C Compositing 1 §9.1: co = cs + cb·(1 − αs)). */
export function sourceOver(
  [r, g, b, a]: readonly [number, number, number, number],
  top: Rgba,
): [number, number, number, number] {
  const rest = 1 - top.alpha;
  return [
    top.r * top.alpha + r * rest,
    top.g * top.alpha + g * rest,
    top.b * top.alpha + b * rest,
    top.alpha + a * rest,
  ];
}

/** Shadows that the cutout throws: behind it, or on a floor. */
export const thrownShadows = ({ shadows }: Pick<Template, 'shadows'>): Shadow[] =>
  shadows.filter(({ on, kind }) => on && kind !== 'inner');

/** Borders that show at all. */
export const visibleBorders = (borders: readonly Border[]): Border[] =>
  borders.filter(({ on, width, opacity, paint }) => on && width > 0 && opacity > 0 && !isClear(paint));

/** True where a border looks the same all round. */
const isEven = (border: Border): border is Border & { readonly paint: string } =>
  typeof border.paint === 'string' && border.dash === null;

/** Levels from the outermost in, with what is seen in each ring. */
export function layersOf(template: Template): Layers {
  const borders = visibleBorders(template.borders);
  const joins = new Map<number, Join>([[0, 'round']]);
  for (const border of borders)
    for (const distance of borderBand(border)) if (distance !== 0) joins.set(distance, border.join);
  const levels = [...joins].map(([distance, join]) => ({ distance, join })).sort((a, b) => b.distance - a.distance);
  const rings = levels.map(({ distance }, i): Ring => {
    const inner = levels[i + 1]?.distance ?? -Infinity;
    const here = borders.filter((border) => {
      const [outside, inside] = borderBand(border);
      return inside <= inner && outside >= distance;
    });
    const photo = distance <= 0;
    if (!here.every(isEven)) return { over: [0, 0, 0, 0], varying: here, photo };
    const over = here.reduce<Ring['over']>(
      (below, border) => sourceOver(below, withOpacity(border.paint, border.opacity)),
      [0, 0, 0, 0],
    );
    return { over, varying: null, photo };
  });
  return { levels, rings };
}

/** The colours that the template takes from each photo, each once. */
export function picksOf({ tints, borders, captions, backdrop, behind, before, mat }: Template): Picked[] {
  const isOn = ({ on }: { readonly on: boolean }) => on;
  const paints: readonly (LinePaint | null)[] = [
    ...[...tints.filter(isOn), ...visibleBorders(borders), ...captions.filter(isOn)].map(({ paint }) => paint),
    backdrop,
    ...[...behind, ...before].filter((layer) => isOn(layer) && layer.show === 'paint').map(({ paint }) => paint),
    mat.paint,
  ];
  const picks = paints.filter((paint): paint is Picked => paint !== null && isPicked(paint));
  return picks.filter((pick, i) => picks.findIndex((other) => samePick(pick, other)) === i);
}
