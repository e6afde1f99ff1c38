/**
 * Faces: where the network for far ones sees one that stands, or that for near ones one that is turned, and how it
 * leans. It counts where a network finds it again, with the same eyes, in two crops around its box, turned upright
 * by the line through its eyes, or upside down: of both turns the one that it is surer of. That network is
 * the one for near faces, which is exact about eyes, and else the other, which knows them from the side.
 */
import { overlap, type Face } from '../../core/sight';
import { CANDIDATE, distinct, fromFar, fromNear, SAME, type FaceNetwork, type Hit } from './face-networks';
import type { Levels, Part, Picture } from './picture';

/** The eyes of both crops have to be so near to each other, as a share of the face. */
const STEADY = 0.12;

/** A network, and the least that it has to say of a face. */
type Surely = { readonly network: FaceNetwork; readonly least: number };

const NEAR: Surely = { network: fromNear, least: 0.7 };
/** Set on 606 photos without a face, in none of which one is found, and on 536 photographs, many of them of people (by hand). */
const FAR: Surely = { network: fromFar, least: 0.65 };

/** A crop around a face's box: its side in faces, turned by radians. */
type Crop = { readonly times: number; readonly turn: number };

/** The face as it is found again in a crop; null where it is not. */
async function again(
  { network, least }: Surely,
  levels: Levels,
  box: Hit['box'],
  { times, turn }: Crop,
): Promise<Hit | null> {
  const [l, t, w, h] = box;
  const part = { middle: [l + w / 2, t + h / 2], side: times * Math.max(w, h), turn } as const;
  // In a strip the network may see what has no size at all.
  if (!(part.side >= 1)) return null;
  const found = (await network(levels, part)).find((hit) => overlap(hit.box, box) > SAME);
  return found && found.score >= least ? found : null;
}

/** How the line through the eyes leans, radians clockwise. */
const leanOf = ({ eyes: [[lx, ly], [rx, ry]] }: Pick<Hit, 'eyes'>) => Math.atan2(ry - ly, rx - lx);

/** How far the eyes of two looks lie apart, as a share of the face: a pattern that looks like a face does so elsewhere each time. */
function eyesApart(a: Hit, b: Hit): number {
  const apart = (e: 0 | 1) => Math.hypot(a.eyes[e][0] - b.eyes[e][0], a.eyes[e][1] - b.eyes[e][1]);
  return Math.max(apart(0), apart(1)) / Math.max(a.box[2], a.box[3]);
}

/** What makes sure of a face: two crops, their sides in faces. */
type Check = { readonly surely: Surely; readonly crops: readonly [number, number] };

const NEAR_CHECK: Check = { surely: NEAR, crops: [2, 3] };
/** The closer a face is, the less this network sees of it. */
const FAR_CHECK: Check = { surely: FAR, crops: [3, 4] };

/** The face as both crops show it, turned upright or upside down, whichever is surer; null where they do not. */
async function steady({ surely, crops }: Check, levels: Levels, hit: Hit): Promise<Hit | null> {
  const upright = -leanOf(hit);
  let best: { readonly face: Hit; readonly sum: number } | null = null;
  for (const turn of [upright, upright + Math.PI]) {
    const face = await again(surely, levels, hit.box, { times: crops[0], turn });
    const other = face && (await again(surely, levels, hit.box, { times: crops[1], turn }));
    if (!other || eyesApart(face, other) > STEADY) continue;
    const sum = face.score + other.score;
    if (!best || sum > best.sum) best = { face, sum };
  }
  return best?.face ?? null;
}

/** Seen twice, a face is none only where both looks are wrong. */
const seenTwice = (face: Hit, other: Hit): Hit => ({ ...face, score: 1 - (1 - face.score) * (1 - other.score) });

async function standingFaces(levels: Levels, whole: Part): Promise<Hit[]> {
  const faces: Hit[] = [];
  for (const hit of await fromFar(levels, whole)) {
    const face = (await steady(NEAR_CHECK, levels, hit)) ?? (await steady(FAR_CHECK, levels, hit));
    if (face) faces.push(seenTwice(face, hit));
  }
  return faces;
}

/** Faces that lie or stand on their heads are seen by the network for near ones, and by the other once they stand. */
async function turnedFaces(levels: Levels, whole: Part): Promise<Hit[]> {
  const faces: Hit[] = [];
  for (const hit of await fromNear(levels, whole)) {
    const face = await steady(NEAR_CHECK, levels, hit);
    const standing =
      face && (await again({ ...FAR, least: CANDIDATE }, levels, face.box, { times: 4, turn: -leanOf(face) }));
    if (standing) faces.push(seenTwice(face, standing));
  }
  return faces;
}

/** A face once more, in a crop as it has not been seen before; null where it is not seen there. */
export async function faceAgain(levels: Levels, face: Face): Promise<Omit<Face, 'score'> | null> {
  const { width, height } = levels[0];
  const [l, t, w, h] = face.box;
  const box = [l * width, t * height, w * width, h * height] as const;
  const turn = -leanOf({ eyes: face.eyes.map(([x, y]) => [x * width, y * height]) as unknown as Hit['eyes'] });
  const found =
    (await again(NEAR, levels, box, { times: 4, turn })) ?? (await again(FAR, levels, box, { times: 5, turn }));
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
  const whole = { middle: [width / 2, height / 2], side: Math.max(width, height), turn: 0 } as const;
  const standing = await standingFaces(levels, whole);
  return distinct(standing.length > 0 ? standing : await turnedFaces(levels, whole))
    .sort((a, b) => b.score * b.box[3] - a.score * a.box[3])
    .map((face) => ({ score: tidy(face.score), ...sharesOf(face, levels[0]) }));
}
