/** A cutout of several photos, each in a slot of its own: a plate a slot, laid on what is behind them all. */
import { boundsOf } from '../shape';
import { outputHeight, pictureOf, scaleAt, slotTemplate, type Template } from '../template';
import type { PixelWindow } from '../raster';
import { compose, type PhotoPixels } from './compose';
import { windowOfBoth } from './lettering';
import { borderBand, thrownShadows, visibleBorders } from './layers';
import type { PickedColours } from './photo-finish';
import type { Plate } from './plate';
import { sidedIn } from './sided';

/** A slot's plate, as large as the slot with its finish, and where it lies in the whole picture. */
export type SlotPlate = { readonly plate: Plate; readonly left: number; readonly top: number };

export type Sheet = {
  /** The first lowest; null where a slot lies beyond the picture. */
  readonly slots: readonly (SlotPlate | null)[];
  /** Straight RGBA of what lies over all of them; null where nothing does. */
  readonly front: Uint8ClampedArray | null;
  /** What is left of them below it, 0…255 a pixel; null where that is what its alpha leaves. */
  readonly keep: Uint8Array | null;
};

/** What is compiled of a template without slots, as `compile` does. */
export type CompilePlain = (template: Template, width: number, matte: string | null, withBare: boolean) => Plate;

const NOWHERE: PixelWindow = { left: 0, top: 0, width: 0, height: 0 };

/** Room for rounding and for what a blur leaves beyond three standard deviations, pixels. */
const ROOM = 2;

/** How far anything of a slot, its outline so high, reaches beyond it: left, top, right and bottom, frame units. */
function reachOf(slot: Template, height: number): readonly number[] {
  const { edge, reflection } = slot;
  const rim = Math.max(0, ...visibleBorders(slot.borders).map((border) => borderBand(border)[0] * (border.join === 'miter' ? 4 : 1))); // prettier-ignore
  const soft = edge.feather * 3;
  const around = Math.max(rim, soft);
  const all: [number, number, number, number] = [around, around, around, around];
  for (const { kind, x, y, blur, spread, depth } of thrownShadows(slot)) {
    const by = around + 3 * blur + Math.max(0, spread);
    all[0] = Math.max(all[0], by - x);
    all[1] = Math.max(all[1], by - y);
    all[2] = Math.max(all[2], by + x);
    all[3] = Math.max(all[3], by + y + (kind === 'ground' ? depth + 3 * blur : 0));
  }
  const image = reflection?.on ? reflection.gap + 2 * around + reflection.length * (height + 2 * around) : 0;
  return [all[0], all[1], all[2], Math.max(all[3], image)];
}

/** The whole pixels of a picture so many pixels wide in which a slot shows anything; null where there are none. */
function slotWindow(slot: Template, width: number): PixelWindow | null {
  const scale = scaleAt(slot, width);
  const bounds = boundsOf(sidedIn(slot, width).outline);
  if (!bounds) return null;
  const reach = reachOf(slot, (bounds[3] - bounds[1]) / scale).map((v) => v * scale + ROOM);
  const left = Math.max(0, Math.floor(bounds[0] - reach[0]!));
  const top = Math.max(0, Math.floor(bounds[1] - reach[1]!));
  const right = Math.min(width, Math.ceil(bounds[2] + reach[2]!));
  const bottom = Math.min(outputHeight(pictureOf(slot), width), Math.ceil(bounds[3] + reach[3]!));
  return right > left && bottom > top ? { left, top, width: right - left, height: bottom - top } : null;
}

/**
 * The slot as a template whose picture is only a window of the whole one: what a mat adds round the frame,
 * one of less than nothing takes away, so all lengths and places stay as they are.
 */
function croppedSlot(template: Template, slot: number, { left, top, ...window }: PixelWindow, width: number): Template {
  const own = slotTemplate(template, slot);
  const { frame } = own;
  const picture = pictureOf(own);
  const unit = picture.width / width;
  const [x, y] = [picture.left + left * unit, picture.top + top * unit];
  const mat = {
    left: -x,
    top: -y,
    right: x + window.width * unit - frame.width,
    bottom: y + window.height * unit - frame.height,
    paint: null,
  };
  return { ...own, mat, behind: [], before: [], captions: [], backdrop: null };
}

/** The slots' templates so many pixels wide, each cut to where it shows, with the place and width of that. */
export function slotCrops(template: Template, width: number) {
  return template.slots.map((_, i) => {
    const window = slotWindow(slotTemplate(template, i), width);
    return window && { template: croppedSlot(template, i, window, width), window };
  });
}

/** What is drawn where no photo is. */
const withoutCutout = (template: Template): Template => ({
  ...template,
  slots: [],
  borders: [],
  shadows: [],
  tints: [],
  reflection: null,
  before: [],
});

/** What lies over all slots, and what it leaves of them. */
function frontOf(template: Template, width: number, plain: CompilePlain) {
  const { before } = template;
  if (!before.some(({ on }) => on)) return { front: null, keep: null, inked: NOWHERE };
  const alone = { ...withoutCutout(template), before, behind: [], captions: [] };
  const over = (backdrop: string | null) =>
    plain({ ...alone, backdrop, mat: { ...template.mat, paint: backdrop } }, width, null, true).bare!;
  const { blank: front, inked } = over(null);
  if (!before.some(({ on, show }) => on && show === 'hole')) return { front, keep: null, inked };
  // Over what is opaque, alpha is what it adds and what it leaves.
  const whole = over('#000000').blank;
  return {
    front,
    inked,
    keep: Uint8Array.from({ length: front.length / 4 }, (_, i) => whole[i * 4 + 3]! - front[i * 4 + 3]!),
  };
}

/**
 * A template with slots so many pixels wide.
 *
 * @param plain compiles one without slots; asked for the ground, each slot and the front
 */
export function compileSheet(
  template: Template,
  width: number,
  matte: string | null,
  withBare: boolean,
  plain: CompilePlain,
): Plate {
  const ground = plain(withoutCutout(template), width, matte, true);
  const slots = slotCrops(template, width).map((crop): SlotPlate | null => {
    if (!crop) return null;
    const { left, top } = crop.window;
    return { plate: plain(crop.template, crop.window.width, null, withBare), left, top };
  });
  const front = frontOf(template, width, plain);
  const inks = slots.flatMap((slot) => (slot ? [movedBy(slot.plate.inked, slot)] : []));
  const inked = [...inks, front.inked].reduce(windowOfBoth, ground.bare!.inked);
  return { ...ground.bare!, bare: null, inked, sheet: { slots, front: front.front, keep: front.keep } };
}

const movedBy = (window: PixelWindow, { left, top }: SlotPlate): PixelWindow => ({
  ...window,
  left: window.left + left,
  top: window.top + top,
});

/** A slot's finished pixels laid on the whole picture: source over, straight (W3C Compositing 1 §9.1). */
function layInto(out: Uint8ClampedArray, width: number, own: Uint8ClampedArray, { plate, left, top }: SlotPlate): void {
  const [from, to] = [new Uint32Array(own.buffer, own.byteOffset), new Uint32Array(out.buffer, out.byteOffset)];
  for (let y = 0, p = 0; y < plate.height; y++) {
    let k = ((top + y) * width + left) * 4;
    for (let x = 0; x < plate.width; x++, p += 4, k += 4) {
      const alpha = own[p + 3]!;
      if (alpha === 0) continue;
      if (alpha === 255 || out[k + 3] === 0) {
        to[k >> 2] = from[p >> 2]!;
        continue;
      }
      const below = (out[k + 3]! * (255 - alpha)) / 255;
      const all = alpha + below;
      for (let c = 0; c < 3; c++) out[k + c] = (own[p + c]! * alpha + out[k + c]! * below) / all;
      out[k + 3] = all;
    }
  }
}

function layFront(out: Uint8ClampedArray, { front, keep }: Sheet): void {
  if (!front) return;
  for (let i = 0, k = 0; k < out.length; i++, k += 4) {
    const alpha = front[k + 3]!;
    const kept = keep ? keep[i]! : 255 - alpha;
    if (kept === 255) continue;
    const below = (out[k + 3]! * kept) / 255;
    const all = alpha + below;
    if (all > 0) for (let c = 0; c < 3; c++) out[k + c] = (front[k + c]! * alpha + out[k + c]! * below) / all;
    out[k + 3] = all;
  }
}

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
  compose(plate, NO_PHOTO, colours, out);
  sheet.slots.forEach((slot, i) => {
    const photo = photos[i];
    if (!slot || !photo) return;
    const length = slot.plate.blank.length;
    if (scratch.length < length) scratch = new Uint8ClampedArray(length);
    const own = scratch.subarray(0, length) as Uint8ClampedArray<ArrayBuffer>;
    compose(slot.plate, photo.pixels, photo.colours, own);
    layInto(out, plate.width, own, slot);
  });
  layFront(out, sheet);
  return out;
}

const NO_PHOTO: PhotoPixels = { data: new Uint8Array(0), window: NOWHERE, opaque: true };

/** The plates that want a photo each: a sheet's slots, or the plate itself. */
export const slotPlates = (plate: Plate): readonly (Plate | null)[] =>
  plate.sheet ? plate.sheet.slots.map((slot) => slot && slot.plate) : [plate];
