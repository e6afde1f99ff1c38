/** Things on busy grounds, as a small network sees them (scripts/detector.mjs), run by ONNX Runtime. */
import { InferenceSession, Tensor } from 'onnxruntime-node';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { candidatesOf, partOf, STRIDE, type Candidate, type Raster } from '../../core/sight/busy';

/** Beside the bundle that this is part of, or in the folder of all bundles. */
function modelPath(): string {
  const bundled = join(dirname(fileURLToPath(import.meta.url)), 'detector.onnx');
  return existsSync(bundled) ? bundled : join(/*turbopackIgnore: true*/ process.cwd(), 'dist', 'detector.onnx');
}

let session: Promise<InferenceSession> | null = null;

function network(): Promise<InferenceSession> {
  session ??= InferenceSession.create(modelPath(), { intraOpNumThreads: 1, interOpNumThreads: 1, logSeverityLevel: 3 });
  return session;
}

/** The nearest side that the network takes. */
const fitting = (side: number) => Math.max(64, 32 * Math.round(side / 32));

/** What it sees in a picture of so many pixels on its longer side, the surest first. */
export async function thingsIn(picture: Raster, longest: number): Promise<Candidate[]> {
  const scale = longest / Math.max(picture.width, picture.height);
  const [width, height] = [fitting(picture.width * scale), fitting(picture.height * scale)];
  const { part } = partOf(picture, [0, 0, 1, 1], { width, height });
  const n = width * height;
  const planes = new Float32Array(3 * n);
  for (let i = 0, k = 0; i < n; i++) for (let c = 0; c < 3; c++, k++) planes[c * n + i] = part.rgb[k]!;
  const net = await network();
  const { thing, sides } = await net.run({ picture: new Tensor('float32', planes, [1, 3, height, width]) });
  return candidatesOf({
    thing: thing!.data as Float32Array,
    sides: sides!.data as Float32Array,
    width: width / STRIDE,
    height: height / STRIDE,
  });
}
