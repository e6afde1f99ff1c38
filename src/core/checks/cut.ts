import { layerMoved, type Before, type Behind, type Border } from '../layers';
import { borderBand, thrownShadows } from '../plate';
import { boundsOfOutline, mapOutline, stepMap, type Outline, type Shape } from '../shape';
import {
  bandBend,
  featherReach,
  hasSlots,
  inPicture,
  pictureOf,
  slotTemplates,
  templateOutline,
  type Template,
} from '../template';
import { apartFrom, defineCheck, type CheckInput } from './check';

/** How far something reaches beyond each side of the picture, frame units: left, top, right, bottom. */
export type Beyond = readonly [left: number, top: number, right: number, bottom: number];

type Part = { readonly what: 'border' | 'echoes' | 'soft edge' | 'reflection' | 'shadow'; readonly beyond: Beyond };

/** A part this thin, in frame widths, is not missed. */
const THIN = 1 / 1000;

const NONE: Beyond = [0, 0, 0, 0];

const furthest = (parts: readonly Beyond[]): Beyond =>
  parts.reduce<Beyond>((all, one) => all.map((v, i) => Math.max(v, one[i]!)) as unknown as Beyond, NONE);

/** How far what lies so far around an outline reaches beyond the picture. */
function around(template: Template, outline: Outline, by: number): Beyond {
  const [left, top, right, bottom] = boundsOfOutline(outline);
  const picture = pictureOf(template);
  return [picture.left - left + by, picture.top - top + by, right + by - picture.left - picture.width, bottom + by - picture.top - picture.height]; // prettier-ignore
}

/** How far a band reaches beyond its line. */
const reachOf = (border: Border): number =>
  borderBand(border)[0] + (border.rough && border.rough.rim !== 'inner' ? border.rough.amount : 0);

/** A copy of a band weaker than this is not missed: a step of 8 bits. */
const WEAK = 1 / 255;

/** The copies of a band along a line, each about the middle of the shape's box. */
function echoesBeyond(template: Template, border: Border, line: Outline): readonly Beyond[] {
  const { echo } = border;
  if (!echo) return [];
  const { cx, cy } = template.shape.box;
  return Array.from({ length: echo.count }, (_, i) => i + 1)
    .filter((step) => echo.keeps ** step > WEAK)
    .map((step) => around(template, mapOutline(line, stepMap(echo, step, [cx, cy])), reachOf(border) * echo.scale ** step)); // prettier-ignore
}

/** What lies around the shape with how far it lies beyond the picture. A shadow is followed to where its blur ends (CSS Backgrounds 3 §7.1: as far beyond the edge as its blur radius). */
function partsBeyond(template: Template, outline: Outline): readonly Part[] {
  const { edge, reflection } = template;
  const shape = around(template, outline, 0);
  const grown = (by: number, x = 0, y = 0): Beyond => [shape[0] + by - x, shape[1] + by - y, shape[2] + by + x, shape[3] + by + y]; // prettier-ignore
  const drawn = template.borders.filter(({ on, width }) => on && width > 0);
  // A band that pins bend by itself lies along an outline of its own.
  const lines = drawn.map((border) => (border.pins.length > 0 ? bandBend(template, border).outline : outline));
  const borders = drawn.map((border, i) => around(template, lines[i]!, reachOf(border)));
  const echoes = drawn.flatMap((border, i) => echoesBeyond(template, border, lines[i]!));
  const border = Math.max(0, ...drawn.filter(({ pins }) => pins.length === 0).map(reachOf));
  const soft = featherReach(edge);
  const rim = Math.max(soft, border);
  const [, top, , bottom] = boundsOfOutline(outline);
  const tall = (bottom - top + 2 * border) * (reflection?.length ?? 0);
  const image: Beyond = [0, 0, 0, shape[3] + border + (reflection?.gap ?? 0) + tall];
  const shadows = thrownShadows(template)
    .filter(({ opacity }) => opacity > 0)
    .map(({ kind, x, y, blur, spread, depth }) => {
      if (kind !== 'ground') return grown(rim + blur + spread, x, y);
      const [l, , r, b] = grown(rim + spread, x);
      // On a floor below the lowest place, up to twice as soft as its blur says.
      return [l + 2 * blur, 0, r + 2 * blur, b + y + depth / 2 + 2 * blur] as const;
    });
  return [
    { what: 'border', beyond: furthest(borders) },
    { what: 'echoes', beyond: furthest(echoes) },
    { what: 'soft edge', beyond: soft > 0 ? furthest([grown(soft)]) : NONE },
    { what: 'reflection', beyond: reflection?.on && reflection.opacity > 0 ? furthest([image]) : NONE },
    { what: 'shadow', beyond: furthest(shadows) },
  ];
}

/** The same for all photos of a template. */
const partsOf = new WeakMap<Template, { readonly outline: Outline; readonly parts: readonly Part[] }>();

function knownParts(template: Template, outline: Outline): readonly Part[] {
  const known = partsOf.get(template);
  if (known?.outline === outline) return known.parts;
  const parts = partsBeyond(template, outline);
  partsOf.set(template, { outline, parts });
  return parts;
}

/** What the picture's edge cuts off, the first of them: a border that is cut is seen at once, a shadow's last part hardly. Null where everything has room. */
export function cutOff(template: Template, outline: Outline): Part | null {
  // Around a window the photo ends at the frame by intent, and what lies along the shape reaches into it.
  if (template.mode === 'window') return null;
  const thin = THIN * template.frame.width;
  return knownParts(template, outline).find(({ beyond }) => Math.max(...beyond) > thin) ?? null;
}

/** The template in a frame that has room for all that lies around its shape; the cutout stays as large as it is. */
export function withRoom(template: Template, outline: Outline): Template {
  const parts = slotTemplates(template).flatMap((one) => partsBeyond(one, hasSlots(template) ? templateOutline(one) : outline)); // prettier-ignore
  const [left, top, right, bottom] = furthest(parts.map(({ beyond }) => beyond)).map(Math.ceil) as unknown as Beyond;
  const moved = <S extends Shape>(shape: S): S => ({ ...shape, box: { ...shape.box, cx: shape.box.cx + left, cy: shape.box.cy + top } }); // prettier-ignore
  const shifted = <L extends Behind | Before>(layer: L): L => layerMoved(layer, ([x, y]) => [x + left, y + top], (v) => v); // prettier-ignore
  const frame = {
    ...template.frame,
    width: template.frame.width + left + right,
    height: template.frame.height + top + bottom,
  };
  const next = {
    ...template,
    frame,
    shape: moved(template.shape),
    slots: template.slots.map((slot) => ({ ...slot, shape: moved(slot.shape) })),
    behind: template.behind.map(shifted),
    before: template.before.map(shifted),
    captions: template.captions.map(({ at: [x, y], ...caption }) => ({ ...caption, at: [x + left, y + top] as [number, number] })), // prettier-ignore
  };
  return { ...next, outputs: inPicture(next.outputs, pictureOf(next)) };
}

const SIDES = ['left', 'top', 'right', 'bottom'] as const;
const found = ({ template, outline }: CheckInput) => cutOff(template, outline)!;

/** How far a border, its echoes, a soft edge, reflection or shadow reaches beyond the picture, frame units. */
export const cut = defineCheck({
  id: 'cut',
  label: 'Border, echoes, soft edge, reflection or shadow cut off by the frame',
  about: 'output',
  measure: ({ template, outline }) => Math.max(0, ...(cutOff(template, outline)?.beyond ?? NONE)),
  limit: ({ template }) => THIN * template.frame.width,
  brief: (_, input) => `${found(input).what} cut off`,
  explain: (value, input) => {
    const { what, beyond } = found(input);
    const sides = SIDES.filter((_, i) => beyond[i]! > 0).join(', ');
    return `the frame cuts the ${what} off: up to ${Number(apartFrom(value, 0, 1))} ${input.template.frame.unit} (${sides})`;
  },
  mend: () => 'make room: the frame grows by as much, or let the shape be smaller',
  remake: { words: 'make room', change: withRoom },
});
