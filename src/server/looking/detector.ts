/** Things on busy grounds, as a small network sees them (scripts/detector.mjs), run by ONNX Runtime. */
import { Tensor } from 'onnxruntime-node';
import { candidatesOf, partOf, STRIDE, type Candidate, type Raster } from '../../core/sight/busy';
import { made } from './network';

const network = made('detector');

/** The nearest side that the network takes. */
const fitting = (side: number) => Math.max(64, 32 * Math.round(side / 32));

/** Red, green and blue one after the other. */
function planesOf({ rgb, width, height }: Raster): Float32Array {
  const planes = new Float32Array(3 * width * height);
  for (let c = 0, to = 0; c < 3; c++) for (let k = c; k < rgb.length; k += 3, to++) planes[to] = rgb[k]!;
  return planes;
}

/** What it sees in a picture of so many pixels on its longer side, the surest first. */
export async function thingsIn(picture: Raster, longest: number): Promise<Candidate[]> {
  const scale = longest / Math.max(picture.width, picture.height);
  const [width, height] = [fitting(picture.width * scale), fitting(picture.height * scale)];
  const { part } = partOf(picture, [0, 0, 1, 1], { width, height });
  const planes = planesOf(part);
  const net = await network();
  const { thing, sides } = await net.run({ picture: new Tensor('float32', planes, [1, 3, height, width]) });
  return candidatesOf({
    thing: thing!.data as Float32Array,
    sides: sides!.data as Float32Array,
    width: width / STRIDE,
    height: height / STRIDE,
  });
}
