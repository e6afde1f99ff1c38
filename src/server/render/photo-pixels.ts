/** A photo's pixels as a plate wants them. */
import sharp, { type Sharp } from 'sharp';
import { asBroken, openPhotoIn, type ColourSpace } from '../intake';
import {
  flatSpread,
  isPlain,
  pixelRect,
  scaledSize,
  seenPart,
  toScaled,
  type Placement,
  type Size,
} from '../../core/placement';
import { behindPixels, onPlate, rectBehind, type BehindPixels, type PhotoPixels, type Plate } from '../../core/plate';
import { continued, enlarged, isLarger, partFor, resample, type Outside, type PixelWindow } from '../../core/raster';

/** A placed photo, and how its pixels are come by. */
export type PlacedPhoto = {
  readonly path: string;
  /** Pixels of the upright photo. */
  readonly photo: Size;
  readonly placement: Placement;
  /** What is shown where the photo does not reach. */
  readonly outside: Outside;
  readonly space: ColourSpace;
  /** Is given the whole photo once it is decoded for several outputs, upright, in sRGB and no larger than it is. */
  readonly decoded?: (photo: Sharp, size: Size) => Promise<void>;
};

/** Reads the whole photo scaled to a size, and gives a part of it: RGBA, row by row. */
type Reader = (size: Size, part: PixelWindow) => Promise<Uint8Array | Uint8ClampedArray>;

const fill = { fit: 'fill' } as const;

/** A photo that is read, how large it is, and whether it is to be turned round. */
type Source = Size & { readonly photo: Sharp; readonly mirror: boolean };

/** The photo's file. */
async function sourceOf({ path, space, photo: { width, height }, placement }: PlacedPhoto): Promise<Source> {
  return { photo: await openPhotoIn(path, space).catch(asBroken), width, height, mirror: placement.mirror };
}

const facing = (photo: Sharp, { mirror }: Pick<Source, 'mirror'>): Sharp => (mirror ? photo.flop() : photo);

/** Enlarged by our own code, from what is needed of it alone. */
async function enlargedPart(source: Source, size: Size, wanted: PixelWindow): Promise<Uint8ClampedArray> {
  const { photo, width, height, mirror } = source;
  const part = partFor(wanted, size, source);
  // Cut out first, it is turned round afterwards.
  const cut = mirror ? { ...part, left: width - part.left - part.width } : part;
  const data = await facing(photo.extract(cut), source).ensureAlpha().raw().toBuffer().catch(asBroken);
  return enlarged({ data, channels: 4, part, width, height }, size, wanted);
}

/** The scaling comes before the cutting, so that JPEGs are decoded no larger than needed, and nothing is made that is not seen. */
async function partOf(source: Source, size: Size, part: PixelWindow): Promise<Uint8Array | Uint8ClampedArray> {
  if (isLarger(size, source)) return enlargedPart(source, size, part);
  return facing(source.photo, source).resize(size.width, size.height, fill).extract({ ...part }).ensureAlpha().raw().toBuffer().catch(asBroken); // prettier-ignore
}

/** Larger than this, a scaled photo is not kept whole between two outputs. */
const MOST_KEPT = 24_000_000;

/**
 * Reads for one output after another. The photo is decoded once, at the size that the
 * widest wants; the others are scaled from that.
 *
 * @param widest the size for the template's widest output; null where there is only one
 */
function readerOf(placed: PlacedPhoto, widest: Size | null): Reader {
  const { photo, placement, space } = placed;
  const kept = widest && (isLarger(widest, photo) ? photo : widest);
  if (!kept || kept.width * kept.height > MOST_KEPT)
    return async (size, part) => partOf(await sourceOf(placed), size, part);
  let decoded: Promise<{ data: Buffer; raw: { width: number; height: number; channels: 3 | 4 } }> | null = null;
  const isAsItIs = space === 'srgb' && !placement.mirror;
  const decode = async () => {
    const source = await sourceOf(placed);
    const made = facing(source.photo, source).resize(kept.width, kept.height, fill).raw();
    const { data, info } = await made.toBuffer({ resolveWithObject: true }).catch(asBroken);
    const raw = { width: info.width, height: info.height, channels: info.channels as 3 | 4 };
    if (isAsItIs) await placed.decoded?.(sharp(data, { raw }), raw);
    return { data, raw };
  };
  return async (size, part) => {
    const { data, raw } = await (decoded ??= decode());
    return partOf({ photo: sharp(data, { raw }), width: raw.width, height: raw.height, mirror: false }, size, part);
  };
}

/** Where the photo lies on a plate's whole pixels, or how large it is before it is turned. */
function sizeOn({ photo, outside, placement: inFrame }: PlacedPhoto, plate: Plate): Size {
  const { scale, photoWindow } = plate;
  const placement = onPlate(inFrame, plate);
  const isFlat = isPlain(photo, placement, scale, photoWindow) || flatSpread(photo, placement, scale, photoWindow, outside); // prettier-ignore
  return isFlat ? pixelRect(photo, placement, scale, photoWindow) : scaledSize(photo, placement, scale);
}

/** The photo once more for every layer behind, as small as it may be. */
async function pixelsBehind(placed: PlacedPhoto, { behind }: Plate): Promise<BehindPixels[]> {
  const pixels: BehindPixels[] = [];
  for (const layer of behind) {
    const { left, top, ...size } = rectBehind(placed.photo, layer);
    const part = { left: -left, top: -top, width: layer.width, height: layer.height };
    pixels.push(behindPixels(await partOf(await sourceOf(placed), size, part), layer));
  }
  return pixels;
}

async function pixelsOn(placed: PlacedPhoto, plate: Plate, read: Reader): Promise<PhotoPixels> {
  const { photo, outside } = placed;
  const placement = onPlate(placed.placement, plate);
  const { photoWindow: window, scale } = plate;
  if (window.width === 0 || window.height === 0) return { data: new Uint8Array(0), window, opaque: true };
  if (isPlain(photo, placement, scale, window)) {
    const rect = pixelRect(photo, placement, scale, window);
    const part = { ...window, left: window.left - rect.left, top: window.top - rect.top };
    return { data: await read(rect, part), window, opaque: true };
  }
  const flat = flatSpread(photo, placement, scale, window, outside);
  if (flat) {
    const { rect, part } = flat;
    const data = await read(rect, { ...part, left: part.left - rect.left, top: part.top - rect.top });
    return { data: continued(data, part, rect, window, flat.outside), window, opaque: true };
  }
  // Turned by the same code as the preview; of the scaled photo only what is seen is made.
  const size = scaledSize(photo, placement, scale);
  const map = toScaled(placement, size, scale);
  const part = seenPart(size, window, map, outside);
  const seen = resample({ data: await read(size, part), part, ...size }, window, map, outside);
  return { data: seen, window, opaque: outside.kind !== 'none' };
}

/**
 * A function that gives the photo in its place over a plate's photo window, RGBA row by row.
 *
 * @param widest the plate of the template's widest output, where it has outputs of several widths
 */
export function photoPixels(placed: PlacedPhoto, widest: Plate | null): (plate: Plate) => Promise<PhotoPixels> {
  const read = readerOf(placed, widest && sizeOn(placed, widest));
  return async (plate) => {
    const pixels = await pixelsOn(placed, plate, read);
    return plate.behind.length === 0 ? pixels : { ...pixels, behind: await pixelsBehind(placed, plate) };
  };
}
