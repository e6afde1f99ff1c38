/** One photo looked at. */
import { look, LOOK_SIZE, type Sight } from '../../core/sight';
import { openPhoto } from '../intake/open';
import { levelsOf, type Picture } from './picture';

/** Faces need twice as many pixels each way as subjects. */
const FACE_SIZE = 2 * LOOK_SIZE;

/** A photo or its proxy at the size that faces are looked for in, or at another. */
export async function pictureOf(path: string, longest = FACE_SIZE): Promise<Picture> {
  const photo = openPhoto(path);
  const { width, height } = (await photo.metadata()).autoOrient;
  // Even sides, so that half of it shows exactly the same: places are shares of the picture.
  const even = (side: number) => 2 * Math.max(1, Math.round(((side / Math.max(width, height)) * longest) / 2));
  const { data, info } = await photo
    .resize(even(width), even(height), { fit: 'fill' })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/**
 * Looks at a photo or its proxy, in whatever thread: both give the same places, as these are shares of the picture.
 *
 * @param faces false leaves out looking for faces, for which a larger picture is needed and which takes longest to begin with
 */
export async function lookAt(path: string, faces = true): Promise<Sight> {
  if (!faces) {
    const { data, width, height } = await pictureOf(path, LOOK_SIZE);
    return { ...look({ rgb: data, width, height }), faces: [] };
  }
  const levels = levelsOf(await pictureOf(path));
  const { data, width, height } = levels[1];
  const { facesIn } = await import('./faces');
  return { ...look({ rgb: data, width, height }), faces: await facesIn(levels) };
}
