/** Things on busy grounds, as a small network sees them (scripts/detector.mjs), run by ONNX Runtime. */
import { Tensor } from 'onnxruntime-node';
import { partOfBox, type FoundSubject } from '../../core/sight';
import { candidatesOf, partOf, sizeIn, STRIDE, type Candidate, type Raster } from '../../core/sight/busy';
import { made } from './network';
import { colourPlanes } from './picture';

const network = made('detector');

/** The nearest side that the network takes. */
const fitting = (side: number) => Math.max(64, 32 * Math.round(side / 32));

/** The network takes bytes as they are. */
const ITSELF = Float32Array.from({ length: 3 * 256 }, (_, i) => i % 256);

type Box = FoundSubject['box'];

/**
 * What it sees in a picture or a part of it, the surest first; boxes in shares of the whole picture.
 *
 * @param longest pixels of the part's longer side that the network sees
 */
export async function thingsIn(picture: Raster, longest: number, box: Box = [0, 0, 1, 1]): Promise<Candidate[]> {
  const own = sizeIn(box, picture);
  const scale = longest / Math.max(own.width, own.height);
  const [width, height] = [fitting(own.width * scale), fitting(own.height * scale)];
  const { part, within } = partOf(picture, box, { width, height });
  const planes = colourPlanes(part, ITSELF);
  const net = await network();
  const { thing, sides } = await net.run({ picture: new Tensor('float32', planes, [1, 3, height, width]) });
  const seen = candidatesOf({
    thing: thing!.data as Float32Array,
    sides: sides!.data as Float32Array,
    width: width / STRIDE,
    height: height / STRIDE,
  });
  return seen.map(({ score, box }) => ({ score, box: partOfBox(within, box) }));
}
