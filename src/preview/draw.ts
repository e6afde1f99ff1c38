/** Photos through a plate, in a worker: the same plate and the same loops as the export. */
import {
  flatSpread,
  isPlain,
  outsideOf,
  pixelRect,
  scaledSize,
  seenPart,
  toScaled,
  type Placed,
  type Placer,
} from '../core/placement';
import { fieldsOf } from '../core/fields';
import {
  behindPixels,
  coloursFor,
  compose,
  composeSheet,
  onPlate,
  rectBehind,
  slotPlates,
  writeCaptions,
  type BehindPixels,
  type PhotoPixels,
  type Plate,
  type SlotPhoto,
} from '../core/plate';
import { continued, resample, type Outside, type PixelWindow } from '../core/raster';
import { hasSlots, outputHeight, pictureOf, slotTemplate, type Template } from '../core/template';
import { placerFor, plateFor } from './compiled';
import { bringCaptionFonts } from './fonts';
import type { Drawn, PreviewPhoto } from './protocol';
import { bringTemplatePictures } from './pictures';
import { proxyFor } from './proxies';

/** Placed pixels kept for the next change of border or shadow, which leaves them as they are. */
const PLACED_KEPT = 400;
const placed = new Map<string, { key: string; pixels: PhotoPixels }>();

/** A photo is kept once for each slot that it lies in. */
const keptAs = ({ id, slot }: PreviewPhoto) => `${id} ${slot ?? 0}`;

let canvas: OffscreenCanvas | null = null;

/** How a photo is scaled: for the screen as well as can be; for a mean of many four times as quickly. */
type Smoothing = 'high' | 'low';

/** The part of `rect` that lies in the picture. */
function visiblePart(rect: PixelWindow, { width, height }: Plate): PixelWindow {
  const left = Math.max(rect.left, 0);
  const top = Math.max(rect.top, 0);
  const right = Math.min(rect.left + rect.width, width);
  const bottom = Math.min(rect.top + rect.height, height);
  return { left, top, width: Math.max(right - left, 1), height: Math.max(bottom - top, 1) };
}

/** The part `window` of the whole photo drawn at `rect`, mirrored if it is. */
function drawnPart(
  bitmap: ImageBitmap,
  rect: PixelWindow,
  window: PixelWindow,
  mirror: boolean,
  smoothing: Smoothing,
): Uint8ClampedArray {
  canvas ??= new OffscreenCanvas(1, 1);
  if (canvas.width < window.width) canvas.width = window.width;
  if (canvas.height < window.height) canvas.height = window.height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = smoothing;
  const [left, top] = [rect.left - window.left, rect.top - window.top];
  if (mirror) context.setTransform(-1, 0, 0, 1, 2 * left + rect.width, 0);
  context.drawImage(bitmap, left, top, rect.width, rect.height);
  context.setTransform(1, 0, 0, 1, 0, 0);
  return context.getImageData(0, 0, window.width, window.height).data;
}

async function pixelsFor(
  photo: PreviewPhoto,
  inFrame: Placed,
  plate: Plate,
  outside: Outside,
  smoothing: Smoothing,
): Promise<PhotoPixels> {
  const { photoWindow, scale } = plate;
  const placement = onPlate(inFrame, plate);
  if (isPlain(photo, placement, scale, photoWindow)) {
    const rect = pixelRect(photo, placement, scale, photoWindow);
    const window = visiblePart(rect, plate);
    const bitmap = await proxyFor(photo.sha256, Math.max(rect.width, rect.height));
    return { data: drawnPart(bitmap, rect, window, placement.mirror, smoothing), window, opaque: true };
  }
  const flat = flatSpread(photo, placement, scale, photoWindow, outside);
  if (flat) {
    const { rect, part } = flat;
    const bitmap = await proxyFor(photo.sha256, Math.max(rect.width, rect.height));
    const data = continued(
      drawnPart(bitmap, rect, part, placement.mirror, smoothing),
      part,
      rect,
      photoWindow,
      flat.outside,
    );
    return { data, window: photoWindow, opaque: true };
  }
  const size = scaledSize(photo, placement, scale);
  const map = toScaled(placement, size, scale);
  const part = seenPart(size, photoWindow, map, outside);
  const bitmap = await proxyFor(photo.sha256, Math.max(size.width, size.height));
  const data = drawnPart(bitmap, { left: 0, top: 0, ...size }, part, placement.mirror, smoothing);
  const seen = resample({ data, part, ...size }, photoWindow, map, outside);
  return { data: seen, window: photoWindow, opaque: outside.kind !== 'none' };
}

async function placedPixels(
  photo: PreviewPhoto,
  placement: Placed,
  plate: Plate,
  outside: Outside,
  smoothing: Smoothing,
): Promise<PhotoPixels> {
  // What is drawn for a mean is not asked for again.
  if (smoothing === 'low') return pixelsFor(photo, placement, plate, outside, smoothing);
  const { scale, angle, x, y, mirror } = placement;
  const { photoWindow: w } = plate;
  const key = JSON.stringify([scale, angle, x, y, mirror, w, plate.width, plate.height, plate.origin, outside]);
  const known = placed.get(keptAs(photo));
  if (known?.key === key) return known.pixels;
  const pixels = await pixelsFor(photo, placement, plate, outside, smoothing);
  if (plate.width * plate.height < 500_000) {
    placed.delete(keptAs(photo));
    placed.set(keptAs(photo), { key, pixels });
    if (placed.size > PLACED_KEPT) placed.delete(placed.keys().next().value!);
  }
  return pixels;
}

/** What captions say of a photo: as the template's first output would have it. */
function fieldsFor(template: Template, { words = { photo: '', batch: '', index: 1 } }: PreviewPhoto) {
  const { name: output, width } = template.outputs[0]!;
  const height = outputHeight(pictureOf(template), width);
  return fieldsOf({ ...words, template: template.name, output, width, height });
}

/** Bytes of a photo's pictures behind above which they are not kept. */
const MOST_BEHIND_KEPT = 1_000_000;

/** What a photo shows behind, kept for the next change of anything else. */
const behindKept = new Map<number, { key: string; pixels: readonly BehindPixels[] }>();

/** The photo once more for every layer behind. */
async function pixelsBehind(
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
    const bitmap = await proxyFor(photo.sha256, Math.max(rect.width, rect.height));
    const window = { left: 0, top: 0, width: layer.width, height: layer.height };
    pixels.push(behindPixels(drawnPart(bitmap, rect, window, mirror, 'high'), layer));
  }
  // Of a large picture only its own next drawing would have them again.
  if (pixels.reduce((sum, { length }) => sum + length, 0) > MOST_BEHIND_KEPT) return pixels;
  behindKept.delete(photo.id);
  behindKept.set(photo.id, { key, pixels });
  if (behindKept.size > PLACED_KEPT) behindKept.delete(behindKept.keys().next().value!);
  return pixels;
}

/** One photo's pixels and colours on its plate. */
async function onPlateOf(
  template: Template,
  plate: Plate,
  photo: PreviewPhoto,
  placement: Placed,
  smoothing: Smoothing,
): Promise<SlotPhoto> {
  const seen = await placedPixels(photo, placement, plate, outsideOf(template, photo.sight), smoothing);
  const pixels = { ...seen, behind: await pixelsBehind(photo, placement, plate) };
  return { pixels, colours: coloursFor(plate.picks, photo.sight) };
}

/** The photos of one cutout: slot by slot, or one alone. */
function photosOf(template: Template, photo: PreviewPhoto): readonly (PreviewPhoto | null)[] {
  if (!hasSlots(template)) return [photo];
  return photo.group?.seats ?? template.slots.map((_, slot) => (slot === (photo.slot ?? 0) ? photo : null));
}

/** What all photos of a round are drawn by. */
type Round = {
  readonly template: Template;
  readonly plate: Plate;
  readonly place: Placer;
  readonly smoothing: Smoothing;
};

async function drawOne({ template, plate, place, smoothing }: Round, photo: PreviewPhoto): Promise<Drawn> {
  try {
    const colours = coloursFor(plate.picks, photo.sight);
    const own = slotPlates(plate);
    const photos = await Promise.all(
      photosOf(template, photo).map((one, slot) => {
        const at = own[slot];
        return one && at ? onPlateOf(slotTemplate(template, slot), at, one, place(one), smoothing) : null;
      }),
    );
    const pixels = plate.sheet
      ? composeSheet(plate, photos, colours)
      : compose(plate, photos[0]!.pixels, photos[0]!.colours);
    if (plate.captions.length > 0) writeCaptions(plate, { fields: fieldsFor(template, photo), colours }, pixels);
    return { id: photo.id, pixels, width: plate.width, height: plate.height };
  } catch (error) {
    return { id: photo.id, error: (error as Error).message };
  }
}

/**
 * Draws all photos; one that fails does not keep back the others, and a template that does is told on each.
 *
 * @param forMean true where only their mean is seen
 */
export async function draw(
  template: Template,
  width: number,
  photos: readonly PreviewPhoto[],
  forMean = false,
): Promise<Drawn[]> {
  try {
    const place = placerFor(template);
    // A photo that is turned or does not reach everywhere may leave pixels without photo at the rim.
    const gaps = photos
      .flatMap((photo) => photosOf(template, photo))
      .some((photo) => {
        if (!photo || slotTemplate(template, photo.slot ?? 0).centring.gap === 'extend') return false;
        const { fadeGap, angle } = place(photo);
        return fadeGap > 0 || angle !== 0;
      });
    await Promise.all([bringCaptionFonts(template), bringTemplatePictures(template)]);
    const plate = plateFor(template, width, gaps);
    // Proxies load side by side; drawing itself is one after the other.
    const round: Round = { template, plate, place, smoothing: forMean ? 'low' : 'high' };
    return await Promise.all(photos.map((photo) => drawOne(round, photo)));
  } catch (error) {
    return photos.map(({ id }) => ({ id, error: (error as Error).message }));
  }
}
