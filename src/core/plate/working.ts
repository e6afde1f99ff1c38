/** A template as the layers of a working file: plates that lie one over the other, each for itself. */
import { hasSlots, type Template } from '../template';
import { compilePart } from './compile';
import { leftBelow } from './overlay';
import type { Overlay, Plate, WithBare } from './plate';
import type { StackPart } from './stack-part';
import { withoutCutout } from './sheet';
import { slotCrops } from './slot-room';

/** A part as a plate, and where it lies in the picture. */
export type WorkingPart = {
  readonly name: string;
  /** Whose photo it shows, 0 where there are no slots; null for what lies round all of them. */
  readonly slot: number | null;
  readonly left: number;
  readonly top: number;
  readonly plate: Plate;
  /** Of a cutout: the photo as it lies below the borders. */
  readonly photo: Plate | null;
};

export type WorkingParts = {
  /** The lowest first. */
  readonly parts: readonly WorkingPart[];
  /** How much what lies before lets through of all else, 0…255 a pixel, where it has holes; null where it has none. */
  readonly keep: Uint8Array | null;
  /** What is mixed with all of them, the lowest first. */
  readonly over: readonly Overlay[];
};

/** What holes in the front let through: less than its own alpha leaves. */
function keepOf(template: Template, width: number, front: Plate): Uint8Array | null {
  if (!template.before.some(({ on, show }) => on && show === 'hole')) return null;
  return leftBelow(compilePart(template, width, 'opaque front', false).blank, front.blank);
}

/**
 * @param withBare `alone` for a framing: what is there without photos is wanted then
 * @throws WobrelError `shape-intricate`
 */
export function workingParts(template: Template, width: number, withBare: WithBare): WorkingParts {
  const sheet = hasSlots(template);
  const around = sheet ? { ...withoutCutout(template), before: template.before } : template;
  const plateFor = (of: Template, across: number, part: StackPart) => compilePart(of, across, part, withBare);
  const cutouts = (sheet ? slotCrops(template, width) : [{ template, window: { left: 0, top: 0, width } }]).flatMap(
    (crop, slot): WorkingPart[] => {
      if (!crop) return [];
      const { left, top, width: across } = crop.window;
      const own = (name: string, part: StackPart, photo: Plate | null = null): WorkingPart => {
        const named = sheet ? `${template.slots[slot]!.name}: ${name}` : name;
        return { name: named, slot, left, top, plate: plateFor(crop.template, across, part), photo };
      };
      return [
        own(crop.template.reflection?.on ? 'Shadow and reflection' : 'Shadow', 'shadow'),
        own('Photo', 'cutout', plateFor(crop.template, across, 'photo')),
      ];
    },
  );
  const shared = (name: string, part: StackPart): WorkingPart => ({ name, slot: sheet ? null : 0, left: 0, top: 0, plate: plateFor(around, width, part), photo: null }); // prettier-ignore
  const front = shared('In front', 'front');
  const { over } = front.plate;
  return {
    parts: [shared('Ground', 'ground'), ...cutouts, { ...front, plate: { ...front.plate, over: [] } }],
    keep: keepOf(around, width, front.plate),
    over,
  };
}

/** Alpha above which what lies below a pixel can't be told any more. */
const MOST_TOLD = 248;

/**
 * What lies below a layer, so that the layer over it is the whole: W3C Compositing 1 §9.1 the other way round.
 * Where the layer hides it, as `hidden` has it. All are straight RGBA.
 */
export function unpeeled(
  whole: Uint8ClampedArray,
  over: Uint8ClampedArray,
  hidden: Uint8ClampedArray,
): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(whole);
  for (let k = 0; k < out.length; k += 4) {
    const top = over[k + 3]!;
    if (top === 0) continue;
    if (top > MOST_TOLD) {
      for (let c = 0; c < 4; c++) out[k + c] = hidden[k + c]!;
      continue;
    }
    const rest = 1 - top / 255;
    const alpha = Math.max(0, Math.min(255, (whole[k + 3]! - top) / rest));
    out[k + 3] = alpha;
    for (let c = 0; c < 3; c++)
      out[k + c] = alpha === 0 ? 0 : (whole[k + c]! * whole[k + 3]! - over[k + c]! * top) / rest / alpha;
  }
  return out;
}
