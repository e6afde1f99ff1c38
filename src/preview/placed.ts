/** Photos' pixels as a plate wants them, kept for the next drawing that leaves them as they are. */
import { LRUCache } from 'lru-cache';
import { flatSpread, isPlain, pixelRect, scaledSize, seenPart, toScaled, type Placed } from '../core/placement';
import { behindPixels, finishedPhoto, onPlate, rectBehind, type BehindPixels, type PhotoPixels, type PickedColours, type Plate } from '../core/plate'; // prettier-ignore
import { continued, resample, type Outside, type PixelWindow } from '../core/raster';
import type { PreviewPhoto } from './protocol';
import { proxyFor } from './proxies';

/** Placed pixels kept for the next change of border or shadow, which leaves them as they are. */
const PLACED_KEPT = 400;
const placed = new LRUCache<string, { readonly key: string; readonly pixels: PhotoPixels }>({ max: PLACED_KEPT });

/** A photo is kept once for each slot that it lies in. */
const keptAs = ({ id, slot }: PreviewPhoto) => `${id} ${slot ?? 0}`;

let canvas: OffscreenCanvas | null = null;

/** Pixels of a picture that is looked at by itself. */
const LARGE = 500_000;

/** The part of `rect` that lies in the picture. */
function visiblePart(rect: PixelWindow, { width, height }: Plate): PixelWindow {
  const left = Math.max(rect.left, 0);
  const top = Math.max(rect.top, 0);
  const right = Math.min(rect.left + rect.width, width);
  const bottom = Math.min(rect.top + rect.height, height);
  return { left, top, width: Math.max(right - left, 1), height: Math.max(bottom - top, 1) };
}

/** The part `window` of the whole photo drawn at `rect`, mirrored if it is. */
function drawnPart(bitmap: ImageBitmap, rect: PixelWindow, window: PixelWindow, mirror: boolean): Uint8ClampedArray {
  canvas ??= new OffscreenCanvas(1, 1);
  if (canvas.width < window.width) canvas.width = window.width;
  if (canvas.height < window.height) canvas.height = window.height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  // Made less than half as large, four neighbours say as good as all, three to five times as quickly.
  context.imageSmoothingQuality = window.width * window.height >= LARGE || rect.width > bitmap.width ? 'high' : 'low';
  const [left, top] = [rect.left - window.left, rect.top - window.top];
  if (mirror) context.setTransform(-1, 0, 0, 1, 2 * left + rect.width, 0);
  context.drawImage(bitmap, left, top, rect.width, rect.height);
  context.setTransform(1, 0, 0, 1, 0, 0);
  return context.getImageData(0, 0, window.width, window.height).data;
}

async function pixelsFor(photo: PreviewPhoto, inFrame: Placed, plate: Plate, outside: Outside): Promise<PhotoPixels> {
  const { photoWindow, scale } = plate;
  const placement = onPlate(inFrame, plate);
  if (isPlain(photo, placement, scale, photoWindow)) {
    const rect = pixelRect(photo, placement, scale, photoWindow);
    const window = visiblePart(rect, plate);
    const bitmap = await proxyFor(photo, Math.max(rect.width, rect.height));
    return { data: drawnPart(bitmap, rect, window, placement.mirror), window, opaque: true };
  }
  const flat = flatSpread(photo, placement, scale, photoWindow, outside);
  if (flat) {
    const { rect, part } = flat;
    const bitmap = await proxyFor(photo, Math.max(rect.width, rect.height));
    const data = continued(drawnPart(bitmap, rect, part, placement.mirror), part, rect, photoWindow, flat.outside);
    return { data, window: photoWindow, opaque: true };
  }
  const size = scaledSize(photo, placement, scale);
  const map = toScaled(placement, size, scale);
  const part = seenPart(size, photoWindow, map, outside);
  const bitmap = await proxyFor(photo, Math.max(size.width, size.height));
  const data = drawnPart(bitmap, { left: 0, top: 0, ...size }, part, placement.mirror);
  const seen = resample({ data, part, ...size }, photoWindow, map, outside);
  return { data: seen, window: photoWindow, opaque: outside.kind !== 'none' };
}

/** @param isKept false for what is not asked for again */
export async function placedPixels(
  photo: PreviewPhoto,
  placement: Placed,
  plate: Plate,
  outside: Outside,
  isKept: boolean,
): Promise<PhotoPixels> {
  if (!isKept) return pixelsFor(photo, placement, plate, outside);
  const { scale, angle, x, y, mirror } = placement;
  const { photoWindow } = plate;
  const key = JSON.stringify([scale, angle, x, y, mirror, photoWindow, plate.scale, plate.origin, outside]);
  const known = placed.get(keptAs(photo));
  if (known?.key === key) return known.pixels;
  const pixels = await pixelsFor(photo, placement, plate, outside);
  if (plate.width * plate.height < LARGE) placed.set(keptAs(photo), { key, pixels });
  return pixels;
}

/** Photos with their finish on, kept while neither changes. */
type Finished = { readonly pixels: PhotoPixels; readonly finish: Plate['finish']; readonly colours: string; done: PhotoPixels | null }; // prettier-ignore
const finished = new LRUCache<string, Finished>({ max: 200 });

/** A photo with its finish on, if that has been asked before: of a finish on the move nothing would be seen again. */
export function finishedPixels(
  photo: PreviewPhoto,
  plate: Plate,
  pixels: PhotoPixels,
  picked: PickedColours,
): PhotoPixels {
  const { finish } = plate;
  // Only what is kept is the same the next time.
  if (!finish || placed.get(keptAs(photo))?.pixels !== pixels) return pixels;
  const colours = JSON.stringify(picked);
  const known = finished.get(keptAs(photo));
  if (known?.pixels === pixels && known.finish === finish && known.colours === colours)
    return (known.done ??= finishedPhoto(plate, pixels, picked));
  finished.set(keptAs(photo), { pixels, finish, colours, done: null });
  return pixels;
}

/** Bytes of a photo's pictures behind above which they are not kept. */
const MOST_BEHIND_KEPT = 1_000_000;

/** What a photo shows behind, kept for the next change of anything else. */
const behindKept = new LRUCache<number, { readonly key: string; readonly pixels: readonly BehindPixels[] }>({ max: PLACED_KEPT }); // prettier-ignore

/** The photo once more for every layer behind. */
export async function pixelsBehind(
  photo: PreviewPhoto,
  { mirror }: Placed,
  { behind }: Plate,
): Promise<readonly BehindPixels[]> {
  if (behind.length === 0) return [];
  const key = JSON.stringify([photo.sha256, mirror, behind]);
  const known = behindKept.get(photo.id);
  if (known?.key === key) return known.pixels;
  const pixels: BehindPixels[] = [];
  for (const layer of behind) {
    const rect = rectBehind(photo, layer);
    const bitmap = await proxyFor(photo, Math.max(rect.width, rect.height));
    const window = { left: 0, top: 0, width: layer.width, height: layer.height };
    pixels.push(behindPixels(drawnPart(bitmap, rect, window, mirror), layer));
  }
  // Of a large picture only its own next drawing would have them again.
  if (pixels.reduce((sum, { length }) => sum + length, 0) > MOST_BEHIND_KEPT) return pixels;
  behindKept.set(photo.id, { key, pixels });
  return pixels;
}
