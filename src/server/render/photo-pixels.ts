/** A photo's pixels as a plate wants them. */
import type { Sharp } from 'sharp';
import { brokenPhoto } from '../intake/inspect';
import { openPhoto } from '../intake';
import { flatSpread, isPlain, pixelRect, scaledSize, toScaled, type Placement, type Size } from '../../core/placement';
import type { PhotoPixels, Plate } from '../../core/plate';
import { continued, resample, type Outside, type PixelWindow } from '../../core/raster';

const mirrored = (photo: Sharp, { mirror }: Placement) => (mirror ? photo.flop() : photo);

const asBroken = (error: unknown): never => {
  throw brokenPhoto(error);
};

/** Scaled and cut in one step by the decoder's library. The scaling comes before the cutting, so that JPEGs are decoded no larger than needed. */
const cutOut = (path: string, placement: Placement, rect: PixelWindow, part: PixelWindow): Promise<Buffer> =>
  mirrored(openPhoto(path), placement)
    .resize(rect.width, rect.height, { fit: 'fill' })
    .extract({ left: part.left - rect.left, top: part.top - rect.top, width: part.width, height: part.height })
    .ensureAlpha()
    .raw()
    .toBuffer()
    .catch(asBroken);

async function plainPixels(path: string, photo: Size, placement: Placement, plate: Plate): Promise<PhotoPixels> {
  const { photoWindow: window } = plate;
  const rect = pixelRect(photo, placement, plate.scale, window);
  return { data: await cutOut(path, placement, rect, window), window, opaque: true };
}

/** Turned and continued beyond its rim by the same code as the preview; scaled whole before, unless its rim is all that is needed. */
async function turnedPixels(
  path: string,
  photo: Size,
  placement: Placement,
  plate: Plate,
  outside: Outside,
): Promise<PhotoPixels> {
  const { photoWindow: window } = plate;
  const flat = flatSpread(photo, placement, plate.scale, window, outside);
  if (flat) {
    const data = await cutOut(path, placement, flat.rect, flat.part);
    return { data: continued(data, flat.part, flat.rect, window, flat.outside), window, opaque: true };
  }
  const size = scaledSize(photo, placement, plate.scale);
  const data = await mirrored(openPhoto(path), placement)
    .resize(size.width, size.height, { fit: 'fill' })
    .ensureAlpha()
    .raw()
    .toBuffer()
    .catch(asBroken);
  const seen = resample({ data, ...size }, window, toScaled(placement, size, plate.scale), outside);
  return { data: seen, window, opaque: outside.kind !== 'none' };
}

/**
 * The photo in its place over the plate's photo window, RGBA row by row.
 *
 * @param outside what is shown where the photo does not reach
 */
export function photoPixels(
  path: string,
  photo: Size,
  placement: Placement,
  plate: Plate,
  outside: Outside,
): Promise<PhotoPixels> {
  return isPlain(photo, placement, plate.scale, plate.photoWindow)
    ? plainPixels(path, photo, placement, plate)
    : turnedPixels(path, photo, placement, plate, outside);
}
