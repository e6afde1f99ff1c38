/** A cutout of several photos, each in a slot of its own: a plate a slot, laid on what is behind them all. */
import type { Template } from '../template';
import type { PixelWindow } from '../raster';
import { compose, composeSlot, finishSheet } from './compose';
import { windowOfBoth } from './lettering';
import { foldedSlots, layInto, rowsOf, spansOf } from './lay';
import { withOpacity } from './layers';
import { leftBelow } from './overlay';
import type { PickedColours } from './photo-finish';
import type { PhotoPixels } from './runs';
import type { Overlay, Plate, SlotPlate, WithBare } from './plate';
import { slotCrops } from './slot-room';

/** What is compiled of templates without slots. */
export type CompilePlain = {
  /** As `compile` does. */
  readonly whole: (template: Template, width: number, matte: string | null, withBare: WithBare) => Plate;
  /** The picture without its photo, and nothing else. */
  readonly bare: (template: Template, width: number, matte: string | null) => Plate;
};

const NOWHERE: PixelWindow = { left: 0, top: 0, width: 0, height: 0 };

/** What is drawn where no photo is. */
export const withoutCutout = (template: Template): Template => ({
  ...template,
  slots: [],
  borders: [],
  shadows: [],
  tints: [],
  reflection: null,
  before: [],
});

/** What lies over all slots. */
function overIn(template: Template, width: number, plain: CompilePlain): Overlay[] {
  const { before } = template;
  if (!before.some(({ on }) => on)) return [];
  const alone = { ...withoutCutout(template), before, behind: [], captions: [] };
  const over = (backdrop: string | null) =>
    plain.bare({ ...alone, backdrop, mat: { ...template.mat, paint: backdrop } }, width, null);
  const { over: mixed, ...plate } = over(null);
  const hasHoles = before.some(({ on, show }) => on && show === 'hole');
  const keep = hasHoles ? leftBelow(over('#000000').blank, plate.blank) : null;
  return [{ plate: { ...plate, over: [] }, blend: 'normal', opacity: 1, isAtop: false, keep }, ...mixed];
}

/**
 * A template with slots so many pixels wide.
 *
 * @param plain asked for the ground, each slot and the front
 */
export function compileSheet(
  template: Template,
  width: number,
  matte: string | null,
  withBare: WithBare,
  plain: CompilePlain,
): Plate {
  const over = overIn(template, width, plain);
  // What is mixed with a cutout does not see what that is laid on in the end.
  const below = over.length > 1 ? null : matte;
  const ground = plain.bare(withoutCutout(template), width, below);
  const slots = slotCrops(template, width).map((crop): SlotPlate | null => {
    if (!crop) return null;
    const { left, top } = crop.window;
    const plate = plain.whole(crop.template, crop.window.width, null, withBare);
    return { plate, left, top, spans: spansOf(plate) };
  });
  const inks = slots.flatMap((slot) => (slot ? [movedBy(slot.plate.inked, slot)] : []));
  const inked = [...inks, ...over.map((one) => one.plate.inked)].reduce(windowOfBoth, ground.inked);
  return {
    ...ground,
    bare: null,
    inked: matte ? ALL(ground) : inked,
    over,
    matte: below === matte ? null : withOpacity(matte!, 1),
    sheet: { slots, folded: foldedSlots(ground, slots) },
  };
}

const ALL = ({ width, height }: Plate): PixelWindow => ({ left: 0, top: 0, width, height });

const movedBy = (window: PixelWindow, { left, top }: SlotPlate): PixelWindow => ({
  ...window,
  left: window.left + left,
  top: window.top + top,
});

/** What is known of the photo in one slot. */
export type SlotPhoto = { readonly pixels: PhotoPixels; readonly colours: PickedColours };

/** Scratch for slots, one after the other. */
let scratch = new Uint8ClampedArray(0);

/**
 * The finished cutout of several photos; captions come after it.
 *
 * @param photos slot by slot; a slot without one shows nothing
 * @param colours for what all slots share, from one of the photos
 */
export function composeSheet(
  plate: Plate,
  photos: readonly (SlotPhoto | null)[],
  colours: PickedColours,
  out = new Uint8ClampedArray(plate.blank.length),
): Uint8ClampedArray<ArrayBuffer> {
  const sheet = plate.sheet!;
  // A slot without a photo shows nothing at all, and a photo that leaves gaps has its own alpha.
  const isWhole = sheet.slots.every((slot, i) => !slot || photos[i]?.pixels.opaque);
  const folded = isWhole ? sheet.folded : null;
  compose({ ...plate, over: [], matte: null, ...(folded && { blank: folded.blank }) }, NO_PHOTO, colours, out);
  sheet.slots.forEach((slot, i) => {
    const photo = photos[i];
    if (!slot || !photo) return;
    const fixed = folded?.spans[i];
    if (fixed) {
      layInto(out, plate.width, slot.plate.blank, fixed, slot);
      composeSlot(slot, photo.pixels, photo.colours, out, plate.width);
      return;
    }
    const length = slot.plate.blank.length;
    if (scratch.length < length) scratch = new Uint8ClampedArray(length);
    const own = scratch.subarray(0, length);
    compose(slot.plate, photo.pixels, photo.colours, own);
    layInto(out, plate.width, own, photo.pixels.opaque ? slot.spans : rowsOf(slot.plate), slot);
  });
  finishSheet(plate, colours, out);
  return out;
}

/** What a plate without any photo is composed with. */
export const NO_PHOTO: PhotoPixels = { data: new Uint8Array(0), window: NOWHERE, opaque: true };

/** The plates that want a photo each: a sheet's slots, or the plate itself. */
export const slotPlates = (plate: Plate): readonly (Plate | null)[] =>
  plate.sheet ? plate.sheet.slots.map((slot) => slot && slot.plate) : [plate];

/** A plate that was compiled with what is there without photo, as that alone. */
export function withoutPhotos(plate: Plate): Plate {
  if (!plate.sheet) return plate.bare!;
  const slots = plate.sheet.slots.map(
    (slot) => slot && { ...slot, plate: slot.plate.bare!, spans: rowsOf(slot.plate) },
  );
  return { ...plate, sheet: { ...plate.sheet, slots, folded: null } };
}

/** A plate without what is mixed with its cutout by a mode, and what lies on that; itself where there is nothing. */
export function unmixed(plate: Plate): Plate {
  // What lies over slots comes first of all that is laid on them.
  const straight = plate.over.slice(0, plate.sheet ? 1 : 0);
  return straight.length === plate.over.length ? plate : { ...plate, over: straight };
}
