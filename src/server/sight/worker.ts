/** The thread that looks at photos. */
import sharp from 'sharp';
import { look, LOOK_SIZE, type Sight } from '../../core/sight';
import { openPhoto } from '../intake/open';
import { facesIn, type Picture } from './faces';

sharp.concurrency(1);
sharp.cache(false);

/** Faces need more pixels than subjects. */
const FACE_SIZE = 512;

async function pictureOf(path: string): Promise<Picture> {
  const { data, info } = await openPhoto(path)
    .resize(FACE_SIZE, FACE_SIZE, { fit: 'inside' })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/** Looks at a photo or its proxy: both give the same places, as these are shares of the picture. */
export async function see({ path }: { path: string }): Promise<Sight> {
  const picture = await pictureOf(path);
  const { data, info } = await sharp(picture.data, {
    raw: { width: picture.width, height: picture.height, channels: 3 },
  })
    .resize(LOOK_SIZE, LOOK_SIZE, { fit: 'inside' })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const faces = await facesIn(picture);
  return { ...look({ rgb: data, width: info.width, height: info.height }), faces };
}
