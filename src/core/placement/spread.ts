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

/** Pixels around a place that its value is drawn from. */
const AROUND = 3;

/** What of 0…length is seen through low…high on one axis: cut off at the ends, or folded back at them. */
function seenSpan(low: number, high: number, length: number, mirrored: boolean): readonly [number, number] {
  let [from, to] = [low, high];
  if (mirrored && (low < 0 || high > length)) {
    // Folded once at each end; what is wider than that sees all of it.
    if (low < -length || high > 2 * length) return [0, length];
    from = low < 0 ? 0 : Math.min(low, 2 * length - high);
    to = high > length ? length : Math.max(high, -low);
  }
  const start = Math.min(Math.max(Math.floor(from) - AROUND, 0), length - 1);
  return [start, Math.max(Math.min(Math.ceil(to) + AROUND, length), start + 1)];
}

/** The part of a photo scaled to `size` that shows in a window: all that has to be scaled. */
export function seenPart(size: Size, window: PixelWindow, [a, b, c, d, e, f]: Affine, outside: Outside): PixelWindow {
  const corners = [window.left, window.left + window.width].flatMap((x) =>
    [window.top, window.top + window.height].map((y) => [a * x + c * y + e, b * x + d * y + f] as const),
  );
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const mirrored = outside.kind === 'mirror';
  const [left, right] = seenSpan(Math.min(...xs), Math.max(...xs), size.width, mirrored);
  const [top, bottom] = seenSpan(Math.min(...ys), Math.max(...ys), size.height, mirrored);
  return { left, top, width: right - left, height: bottom - top };
}

/** What the template shows beyond the photo. */
export function outsideOf({ centring }: Template, sight: Sight | null | undefined): Outside {
  if (centring.gap !== 'extend') return { kind: 'none' };
  if (centring.extend !== 'ground') return { kind: centring.extend };
  if (!sight) return { kind: 'smear' };
  const { r, g, b } = parseColour(sight.ground.colour);
  return { kind: 'ground', colour: [r * 255, g * 255, b * 255] };
}
