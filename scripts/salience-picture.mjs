/** A photo as the salience network takes it: as src/server/looking/salience.ts draws it first, but for who scales it. */
import { Tensor } from 'onnxruntime-node';
import sharp from 'sharp';

const SIDE = 256;
const MEAN = [0.485, 0.456, 0.406];
const SPREAD = [0.229, 0.224, 0.225];

const of = (share, c) => (share - MEAN[c]) / SPREAD[c];

/** The least and the greatest that a colour can be. */
export const COLOURS = [Math.min(...MEAN.map((_, c) => of(0, c))), Math.max(...MEAN.map((_, c) => of(1, c)))];

export async function pictureOf(path) {
  const pixels = await sharp(path).removeAlpha().toColourspace('srgb').resize(SIDE, SIDE, { fit: 'fill' }).raw().toBuffer(); // prettier-ignore
  const white = Math.max(1, ...new Set(pixels));
  const n = SIDE * SIDE;
  const planes = Float32Array.from({ length: 3 * n }, (_, i) => of(pixels[3 * (i % n) + Math.floor(i / n)] / white, Math.floor(i / n))); // prettier-ignore
  return new Tensor('float32', planes, [1, 3, SIDE, SIDE]);
}
