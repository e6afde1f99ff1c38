/** A placement on pixels where the photo is turned, or does not reach everywhere. */
import { after, type Affine } from '../shape';
import type { FromRim, Outside, PixelWindow } from '../raster';
import { parseColour } from '../paint';
import type { Sight } from '../sight';
import type { Template } from '../template';
import { pixelRect } from './pixel-rect';
import { turned, type Placement, type Size } from './placement';

/** True where the photo has only to be scaled and cut: it is not turned and reaches all of the window. */
export function isPlain(photo: Size, placement: Placement, pixelsPerUnit: number, shown: PixelWindow): boolean {
  if (placement.angle % 360 !== 0) return false;
  const rect = pixelRect(photo, placement, pixelsPerUnit, shown);
  return (
    rect.left <= shown.left &&
    rect.top <= shown.top &&
    rect.left + rect.width >= shown.left + shown.width &&
    rect.top + rect.height >= shown.top + shown.height
  );
}

/** The part of a whole-pixel rectangle that lies in a window; null where none does. */
function common(rect: PixelWindow, window: PixelWindow): PixelWindow | null {
  const left = Math.max(rect.left, window.left);
  const top = Math.max(rect.top, window.top);
  const width = Math.min(rect.left + rect.width, window.left + window.width) - left;
  const height = Math.min(rect.top + rect.height, window.top + window.height) - top;
  return width > 0 && height > 0 ? { left, top, width, height } : null;
}

/** Where a photo that is not turned, and is continued from its rim, lies on whole pixels, and the part of it that is needed; null where it has to be resampled. */
export function flatSpread(
  photo: Size,
  placement: Placement,
  pixelsPerUnit: number,
  shown: PixelWindow,
  outside: Outside,
): { readonly rect: PixelWindow; readonly part: PixelWindow; readonly outside: FromRim } | null {
  if (placement.angle % 360 !== 0 || outside.kind === 'none' || outside.kind === 'mirror') return null;
  const rect = pixelRect(photo, placement, pixelsPerUnit, shown);
  const part = common(rect, shown);
  return part && { rect, part, outside: outside as FromRim };
}

/** The size that the whole photo is scaled to before it is turned and moved. */
export const scaledSize = (photo: Size, placement: Placement, pixelsPerUnit: number): Size => ({
  width: Math.max(1, Math.round(photo.width * placement.scale * pixelsPerUnit)),
  height: Math.max(1, Math.round(photo.height * placement.scale * pixelsPerUnit)),
});

/** From the output's pixels to those of the photo scaled (and mirrored, if it is) to `size`. */
export function toScaled({ angle, x, y }: Placement, size: Size, pixelsPerUnit: number): Affine {
  const [cos, sin] = turned([1, 0], -angle);
  const turn: Affine = [cos, sin, -sin, cos, size.width / 2, size.height / 2];
  return after(turn, [1, 0, 0, 1, -x * pixelsPerUnit, -y * pixelsPerUnit]);
}

/** What the template shows beyond the photo. */
export function outsideOf({ centring }: Template, sight: Sight | null | undefined): Outside {
  if (centring.gap !== 'extend') return { kind: 'none' };
  if (centring.extend !== 'ground') return { kind: centring.extend };
  if (!sight) return { kind: 'smear' };
  const { r, g, b } = parseColour(sight.ground.colour);
  return { kind: 'ground', colour: [r * 255, g * 255, b * 255] };
}
