/** What stands out in a photo on a busy ground, as a network sees it (scripts/salience.mjs), run by ONNX Runtime. */
import { Tensor } from 'onnxruntime-node';
import { windowAround } from '../../core/sight';
import { partOf, rimOf, WIDE, type Raster, type Salience } from '../../core/sight/busy';
import { made } from './network';
import { colourPlanes } from './picture';

const network = made('salience');

/** Sides of the square that the network sees; a photo whose rim is wide in the first is looked at in the second, which takes twice as long. */
const FIRST = 256;
export const SECOND = 384;

/** Means and spreads of red, green and blue that it was taught with (those of ImageNet). */
const MEAN = [0.485, 0.456, 0.406] as const;
const SPREAD = [0.229, 0.224, 0.225] as const;

type Box = readonly [left: number, top: number, width: number, height: number];

/** What each of the 256 values of red, then of green and blue, is to the network. */
function takenAs(white: number): Float32Array {
  const values = new Float32Array(3 * 256);
  for (let c = 0; c < 3; c++) for (let v = 0; v < 256; v++) values[c * 256 + v] = (v / white - MEAN[c]!) / SPREAD[c]!;
  return values;
}

function brightest({ rgb }: Raster): number {
  let most = 1;
  for (let k = 0; k < rgb.length; k++) if (rgb[k]! > most) most = rgb[k]!;
  return most;
}

/** A part of a picture drawn into a square, its brightest value as white. */
async function seenIn(picture: Raster, side: number, box: Box = [0, 0, 1, 1]) {
  const { part, within } = partOf(picture, box, { width: side, height: side });
  const planes = colourPlanes(part, takenAs(brightest(part)));
  const { salience } = await (await network()).run({ picture: new Tensor('float32', planes, [1, 3, side, side]) });
  const map: Salience = { values: salience!.data as Float32Array, width: side, height: side };
  return { salience: map, within };
}

/** Of a photo in a picture of 512 pixels, as finely as it is ever looked at. */
export const finelyIn = async (whole: Raster): Promise<Salience> => (await seenIn(whole, SECOND)).salience;

/** Of a photo in a picture of 512 pixels, and half of that. */
export async function salienceIn(whole: Raster, half: Raster): Promise<Salience> {
  const { salience } = await seenIn(half, FIRST);
  return rimOf(salience) <= WIDE ? salience : finelyIn(whole);
}

/** What is looked at of a thing's surroundings, as a share of its longer side; more found fewer things. */
const AROUND = 1.4;
/** Fewer pixels found fewer things, more no more of them. */
const CLOSER = 224;

/** Of the surroundings of a box alone. */
export const closerIn = (whole: Raster, box: Box) => seenIn(whole, CLOSER, windowAround(box, whole, AROUND));
