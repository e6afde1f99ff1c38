/** One photo looked at. */
import {
  coloursOf,
  cutOutSubject,
  firstLook,
  LOOK_SIZE,
  sightOf,
  taken,
  type FirstLook,
  type FoundSubject,
  type Raster,
  type Sight,
} from '../../core/sight';
import { standingSubject } from '../../core/sight/busy';
import type { Sharp } from 'sharp';
import type { Size } from '../../core/placement';
import { enlarged, isLarger } from '../../core/raster';
import { openAlpha, openPhoto } from '../intake/open';
import { lookAgain } from './look-again';
import { levelsOf, rasterOf, type Levels, type Picture } from './picture';

/** Faces need twice as many pixels each way as subjects. */
const FACE_SIZE = 2 * LOOK_SIZE;

/** Its bytes, row by row, at a size that it may be too small for. */
async function sized(photo: Sharp, own: Size, longest: number): Promise<Picture> {
  const scale = longest / Math.max(own.width, own.height);
  // Even sides, so that half of it shows exactly the same: places are shares of the picture.
  const even = (side: number) => 2 * Math.max(1, Math.floor((side * scale) / 2 + 1e-6));
  const size = { width: even(own.width), height: even(own.height) };
  const { data, info } = await photo
    .resize(Math.min(size.width, own.width), Math.min(size.height, own.height), { fit: 'fill' })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const made = { data, width: info.width, height: info.height };
  if (!isLarger(size, made)) return made;
  const part = { left: 0, top: 0, width: info.width, height: info.height };
  const larger = enlarged({ ...made, channels: info.channels, part }, size, { left: 0, top: 0, ...size });
  return { data: new Uint8Array(larger.buffer), ...size };
}

/** A photo's file, before its pixels are read. */
type File = { readonly photo: Sharp; readonly size: Size; readonly hasAlpha: boolean };

async function opened(path: string): Promise<File> {
  const photo = openPhoto(path).removeAlpha();
  const { autoOrient, hasAlpha } = await photo.metadata();
  return { photo, size: autoOrient, hasAlpha };
}

/** A photo or its proxy at the size that faces are looked for in, or at another. */
export async function pictureOf(path: string, longest = FACE_SIZE): Promise<Picture> {
  const { photo, size } = await opened(path);
  return sized(photo, size, longest);
}

/** The thing in a photo that was cut out before it came; null where none was. */
async function cutOutIn(path: string, { size, hasAlpha }: File): Promise<FoundSubject | null> {
  if (!hasAlpha) return null;
  const { data, width, height } = await sized(openAlpha(path), size, LOOK_SIZE);
  const alpha = new Float32Array(data.length);
  for (let i = 0; i < alpha.length; i++) alpha[i] = data[i]! / 255;
  return cutOutSubject(alpha, { width, height });
}

/** A photo or its proxy, half and a quarter of it. */
export const looksOf = async (path: string) =>
  levelsOf(await pictureOf(path)).map(rasterOf) as [whole: Raster, half: Raster, quarter: Raster];

/** Photos whose quarter is fewer pixels wide or high are strips: what stands out in them is not looked for. */
const NARROW = 8;
export const isStrip = ([, , quarter]: readonly [Raster, Raster, Raster]): boolean =>
  Math.min(quarter.width, quarter.height) < NARROW;

/** What a photo is of where that is not clear from its ground. */
async function doubtful(first: FirstLook, levels: Levels): Promise<FoundSubject | null> {
  const looks = levels.map(rasterOf) as [Raster, Raster, Raster];
  if (isStrip(looks)) return first.subject;
  const { salienceIn } = await import('./salience');
  return taken(first, standingSubject(await salienceIn(looks[0], looks[1])));
}

/** The level that edges are measured in: what was enlarged is soft by that alone. */
const fineOf = ([whole, half]: Levels, own: Size): Raster =>
  rasterOf(Math.max(own.width, own.height) < FACE_SIZE ? half : whole);

/** Whether a photo decoded so large shows as much as its file does. */
export const isEnough = ({ width, height }: Size): boolean => Math.max(width, height) >= LOOK_SIZE;

/** What a photo that is decoded already, upright and in sRGB, is compared with others by. */
export async function lookAtDecoded(photo: Sharp, size: Size): Promise<Sight> {
  const levels = levelsOf(await sized(photo.removeAlpha().toColourspace('srgb'), size, FACE_SIZE));
  const first = firstLook(rasterOf(levels[1]));
  return { ...sightOf(first, fineOf(levels, size), first.clear ? first.subject : null), faces: [] };
}

/** All that is seen in a small picture of a photo, once it is known what the photo is of. */
const seenIn = (first: FirstLook, fine: Raster, subject: FoundSubject | null, faces: Sight['faces']): Sight => ({
  ...sightOf(first, fine, subject),
  ...coloursOf(first, subject),
  faces,
});

/**
 * Looks at a photo or its proxy, in whatever thread: both give the same places, as these are shares of the picture.
 *
 * @param all false leaves out what takes long to begin with: faces, and subjects on busy grounds
 */
export async function lookAt(path: string, all = true): Promise<Sight> {
  const file = await opened(path);
  const cutOut = await cutOutIn(path, file);
  const levels = levelsOf(await sized(file.photo, file.size, FACE_SIZE));
  const first = firstLook(rasterOf(levels[1]));
  const fine = fineOf(levels, file.size);
  if (!all) return seenIn(first, fine, cutOut ?? (first.clear ? first.subject : null), []);
  const { facesIn } = await import('./faces');
  const subject = cutOut ?? (first.clear ? first.subject : await doubtful(first, levels));
  const faces = await facesIn(levels);
  const again = await lookAgain(levels, { subject: cutOut ? null : subject, faces, clear: first.clear });
  return { ...seenIn(first, fine, subject, faces), again: cutOut ? { face: again.face } : again };
}
