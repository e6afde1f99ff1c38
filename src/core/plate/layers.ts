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

/** An offset of the outline, in frame units, outwards positive, as rough as the border's edge that lies there. */
export type Level = { readonly distance: number; readonly join: Join; readonly rough: Border['rough'] };

/** A border as it is laid in a ring: itself, or its shadow on what lies below it. */
export type RingCoat = { readonly border: Border; readonly as: 'band' | 'shadow' };

/** What is seen between one level and the next one in. */
export type Ring = {
  /** All borders of this ring composited: premultiplied r, g, b and alpha, 0…1; where they are the same all round. */
  readonly over: readonly [r: number, g: number, b: number, alpha: number];
  /** What lies in this ring, the lowest first, where something of it is not. */
  readonly varying: readonly RingCoat[] | null;
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

/** Borders that follow an outline of their own, and so lie on those that follow the shape's. */
export const isFree = ({ pins }: Pick<Border, 'pins'>): boolean => pins.length > 0;

/** True where a border looks the same all round. */
const isEven = (border: Border): border is Border & { readonly paint: string } =>
  typeof border.paint === 'string' && border.dash === null && border.relief === null;

/** Which of a border's edges are rough. */
export const roughAt = ({ rough }: Border, rim: 'outer' | 'inner'): Border['rough'] =>
  rough && (rough.rim === rim || rough.rim === 'both') ? rough : null;

/** What lies in a ring: its borders, and below each the shadows of those above it, where there is something that they fall on. */
function coatsIn(borders: readonly Border[], isHere: (border: Border) => boolean, photo: boolean): RingCoat[] {
  const coats: RingCoat[] = [];
  let isGround = photo;
  for (const border of borders) {
    const here = isHere(border);
    // No shadow is seen through what throws it, but between its dashes.
    if (border.shadow && isGround && (!here || border.dash)) coats.push({ border, as: 'shadow' });
    if (here) coats.push({ border, as: 'band' });
    isGround ||= here;
  }
  return coats;
}

/** Levels from the outermost in, with what is seen in each ring. */
export function layersOf(template: Template): Layers {
  const borders = visibleBorders(template.borders).filter((border) => !isFree(border));
  const edges = new Map<number, Omit<Level, 'distance'>>([[0, { join: 'round', rough: null }]]);
  for (const border of borders)
    borderBand(border).forEach((distance, i) => {
      const rough = roughAt(border, i === 0 ? 'outer' : 'inner');
      const known = edges.get(distance);
      if (distance === 0 && rough) edges.set(0, { join: 'round', rough });
      else if (distance !== 0) edges.set(distance, { join: border.join, rough: rough ?? known?.rough ?? null });
    });
  const levels = [...edges].map(([distance, edge]) => ({ distance, ...edge })).sort((a, b) => b.distance - a.distance);
  const rings = levels.map(({ distance }, i): Ring => {
    const inner = levels[i + 1]?.distance ?? -Infinity;
    const isHere = (border: Border) => {
      const [outside, inside] = borderBand(border);
      return inside <= inner && outside >= distance;
    };
    const photo = distance <= 0;
    const here = borders.filter(isHere);
    const coats = coatsIn(borders, isHere, photo);
    if (!here.every(isEven) || coats.length > here.length) return { over: [0, 0, 0, 0], varying: coats, photo };
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
    ...captions.filter(isOn).map(({ mark }) => mark?.paint ?? null),
    backdrop,
    ...[...behind, ...before].filter((layer) => isOn(layer) && layer.show === 'paint').map(({ paint }) => paint),
    ...[...behind, ...before].map(({ on, tint }) => (on && tint?.on ? tint.paint : null)),
    mat.paint,
  ];
  const picks = paints.filter((paint): paint is Picked => paint !== null && isPicked(paint));
  return picks.filter((pick, i) => picks.findIndex((other) => samePick(pick, other)) === i);
}
