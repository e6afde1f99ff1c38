/** Things on busy grounds, as a small network sees them (scripts/detector.mjs), run by ONNX Runtime. */
import { Tensor } from 'onnxruntime-node';
import { candidatesOf, partOf, STRIDE, type Candidate, type Raster } from '../../core/sight/busy';
import { made } from './network';
import { colourPlanes } from './picture';

const network = made('detector');

/** The nearest side that the network takes. */
const fitting = (side: number) => Math.max(64, 32 * Math.round(side / 32));

/** The network takes bytes as they are. */
const ITSELF = Float32Array.from({ length: 3 * 256 }, (_, i) => i % 256);

/** What it sees in a picture of so many pixels on its longer side, the surest first. */
export async function thingsIn(picture: Raster, longest: number): Promise<Candidate[]> {
  const scale = longest / Math.max(picture.width, picture.height);
  const [width, height] = [fitting(picture.width * scale), fitting(picture.height * scale)];
  const { part } = partOf(picture, [0, 0, 1, 1], { width, height });
  const planes = colourPlanes(part, ITSELF);
  const net = await network();
  const { thing, sides } = await net.run({ picture: new Tensor('float32', planes, [1, 3, height, width]) });
  return candidatesOf({
    thing: thing!.data as Float32Array,
    sides: sides!.data as Float32Array,
    width: width / STRIDE,
    height: height / STRIDE,
  });
}
