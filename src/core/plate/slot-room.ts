/** Where in a picture a slot shows anything, and the slot as a template of that part alone. */
import type { PixelWindow } from '../raster';
import { boundsOf } from '../shape';
import { bandBend, outputHeight, pictureOf, scaleAt, slotTemplate, type Template } from '../template';
import { echoReach } from './echoes';
import { borderBand, isFree, thrownShadows, visibleBorders } from './layers';
import { sidedIn } from './sided';

/** Room for rounding and for what a blur leaves beyond three standard deviations, pixels. */
const ROOM = 2;

/** How far anything of a slot, its outline so wide and high, reaches beyond it: left, top, right and bottom, frame units. */
function reachOf(slot: Template, width: number, height: number): readonly number[] {
  const { edge, reflection } = slot;
  const rim = Math.max(0, ...visibleBorders(slot.borders).map((border) => borderBand(border)[0] * (border.join === 'miter' ? 4 : 1))); // prettier-ignore
  const soft = edge.feather * 3;
  const around = Math.max(rim, soft) + echoReach(slot.borders, Math.hypot(width, height) + rim);
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
  const free = visibleBorders(slot.borders).filter(isFree).flatMap((border) => sidedIn(slot, width, bandBend(slot, border).outline).outline); // prettier-ignore
  const bounds = boundsOf([...sidedIn(slot, width).outline, ...free]);
  if (!bounds) return null;
  const reach = reachOf(slot, (bounds[2] - bounds[0]) / scale, (bounds[3] - bounds[1]) / scale).map(
    (v) => v * scale + ROOM,
  );
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
