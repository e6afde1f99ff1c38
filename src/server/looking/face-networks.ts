/**
 * What two networks see of faces in a part of a picture (scripts/faces.mjs), run by ONNX Runtime: the one for near
 * faces takes 128 × 128 pixels, is exact about faces from the front, and sees turned ones; the one for far
 * faces takes at least 192 × 192 and more than twice as long, and sees small ones and those from the side.
 */
import { Tensor } from 'onnxruntime-node';
import { overlap } from '../../core/sight';
import { made } from './network';
import { drawnSquare, placeOf, planesOf, type Drawn, type Levels, type Part, type Picture, type Spot } from './picture';

/** A face seen, in pixels of the picture. */
export type Hit = {
  /** 0…1. */
  readonly score: number;
  readonly box: readonly [left: number, top: number, width: number, height: number];
  readonly eyes: readonly [Spot, Spot];
};

/** Faces that a network sees in a part of the picture, the clearest first. */
export type FaceNetwork = (levels: Levels, part: Part) => Promise<Hit[]>;

/** What scores less is not looked at again. */
export const CANDIDATE = 0.4;
/** Boxes that overlap more than this are one face. */
export const SAME = 0.3;
const MOST_FACES = 20;

const sigmoid = (v: number) => 1 / (1 + Math.exp(-v));

/** One hit a face: those that overlap averaged by their scores, the clearest first. */
export function distinct(hits: readonly Hit[]): Hit[] {
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

/** One of a network's grids: how surely each cell sees a face, once or oftener, and 16 numbers for each such look. */
type Grid = { readonly face: Tensor; readonly places: Tensor };

/** Numbers are pixels of the square, from the cell's middle. */
function* hitsOf({ face, places }: Grid, part: Part, drawn: Drawn): Generator<Hit> {
  const [, looks, height, width] = face.dims as [number, number, number, number];
  const [scores, numbers] = [face.data as Float32Array, places.data as Float32Array];
  const cells = width * height;
  const wide = part.side / drawn.side;
  // The box of a face that lies on its side is the box of one that stands, turned.
  const lies = Math.abs(Math.sin(part.turn)) > Math.abs(Math.cos(part.turn));
  for (let i = 0; i < looks * cells; i++) {
    const score = sigmoid(scores[i]!);
    if (score < CANDIDATE) continue;
    const [look, cell] = [Math.floor(i / cells), i % cells];
    const number = (k: number) => numbers[(16 * look + k) * cells + cell]!;
    const [cx, cy] = [
      (((cell % width) + 0.5) / width - 0.5) * drawn.width,
      ((Math.floor(cell / width) + 0.5) / height - 0.5) * drawn.height,
    ];
    const spot = (k: number) => placeOf(part, (cx + number(k)) * wide, (cy + number(k + 1)) * wide);
    const [w, h] = [number(lies ? 3 : 2) * wide, number(lies ? 2 : 3) * wide];
    const [x, y] = spot(0);
    yield { score, box: [x - w / 2, y - h / 2, w, h], eyes: [spot(4), spot(6)] };
  }
}

/** Sides that a network takes are multiples of this. */
const STRIDE = 32;
const fitting = (side: number) => STRIDE * Math.max(1, Math.ceil(side / STRIDE));

type Grids = readonly (readonly [face: string, places: string])[];

/** @param drawnAs how large the network sees a part */
function faceNetwork(
  name: 'faces-near' | 'faces-far',
  grids: Grids,
  drawnAs: (part: Part, picture: Picture) => Drawn,
): FaceNetwork {
  const network = made(name);
  return async (levels, part) => {
    const drawn = drawnAs(part, levels[0]);
    const picture = new Tensor('float32', planesOf(levels, part, drawn), [1, 3, drawn.height, drawn.width]);
    const out = await (await network()).run({ picture });
    const hitsIn = ([face, places]: Grids[number]) => [...hitsOf({ face: out[face]!, places: out[places]! }, part, drawn)]; // prettier-ignore
    return distinct(grids.flatMap(hitsIn));
  };
}

const NEAR_GRIDS = [['face', 'places'], ['largeFace', 'largePlaces']] as const; // prettier-ignore

export const fromNear = faceNetwork('faces-near', NEAR_GRIDS, () => drawnSquare(128));

/** The side that this network was taught with, and that of a whole picture: faces of a twentieth of it are seen, where 192 pixels show those of a sixteenth. */
const CROP = 192;
const WHOLE = 320;

export const fromFar = faceNetwork('faces-far', [['face', 'places']], (part, { width, height }) => {
  if (part.side < Math.max(width, height)) return drawnSquare(CROP);
  const side = (pixels: number) => fitting((pixels / part.side) * WHOLE);
  return { side: WHOLE, width: side(width), height: side(height) };
});
