/** The thing that a photo is of, where its ground is plain. */
import { withoutBleed } from './bleed';
import { withoutHoles } from './body';
import { overlap } from './boxes';
import { sharpStart, sidesBetween } from './between';
import { edgesOf } from './edges';
import { distancesFrom, groundOf, type Distances, type Ground } from './ground';
import type { Lab, Size } from './lab';
import { mainPart, type MainPart } from './main-part';
import { subjectOfPixels } from './pixels';
import { outlined, regionOf, silhouette, type Region } from './region';
import type { FoundSubject } from './sight';
import { trustIn } from './trust';

/** Grounds of which less of the rim is alike are busy. */
const PLAIN = 0.85;
/** Least difference (ΔE*ab) that is no unevenness of the ground. */
const FLOOR = 1.5;
/** Parts so close, as a share of the picture's longer side, are one thing on a plain ground. */
const NEARBY = 0.04;
/** A subject trusted less is looked for by its firm edges, too. */
const DOUBTED = 0.3;
/** … and they have to do better by this. */
const BETTER = 0.1;

/** What is less unlike the ground than this (ΔE*ab, but for shade) is it, in a handle's hole. */
const GROUND = 2.5;

/** A subject whose confidence is what it was seen with. */
function subjectOf(part: MainPart, size: Size, confidence: number, tones: Distances, noise: number): FoundSubject {
  const solid = withoutHoles(part, tones.unshaded, GROUND, size);
  const sides = sidesBetween(part, size, sharpStart(tones, noise));
  return { ...subjectOfPixels(part, { size, solid, sides }), confidence, count: 1 + part.others.length };
}

/** The main thing in a region; null where nothing is left of it. */
function found(region: Region, values: Float32Array, size: Size, nearby: number, edges: Float32Array | null = null) {
  const part = mainPart(region.mask, size, nearby);
  return part && { part, trust: trustIn(part, region, values, edges, size) };
}

/** By the ground's colour, where it is plain. */
function onPlain(ground: Ground, lab: Lab): FoundSubject | null {
  const tones = distancesFrom(ground, lab);
  const region = regionOf(tones.seen, lab, { floor: floorOf(ground), open: 1, rim: 2 });
  if (!region) return null;
  const edges = edgesOf(lab);
  const mask = withoutBleed(outlined(region, tones, edges, lab), tones, lab);
  let best = found({ ...region, mask }, tones.seen, lab, NEARBY, edges);
  if (best && best.trust < DOUBTED) {
    const held = { ...region, mask: silhouette(mask, edges, lab) };
    const other = found(held, tones.seen, lab, NEARBY, edges);
    if (other && other.trust > best.trust + BETTER) best = other;
  }
  return best && subjectOf(best.part, lab, best.trust, tones, ground.noise);
}

const floorOf = ({ noise }: Ground) => Math.max(FLOOR, 2 * noise);

/** A ground more uneven than this (ΔE*ab), or a subject trusted less, may be a busy photo that is taken for a plain one. */
const [EVEN, TRUSTED] = [1.5, 0.9];

const isEven = ({ plain, noise }: Ground) => plain >= PLAIN && noise <= EVEN;

/** Steps between pixels firmer than this (ΔE*ab a pixel) are outlines, also where the ground itself is a little uneven. */
const OUTLINE = 3;
/** Fewer pixels than this share of the picture have one around a speck only. */
const OUTLINED = 0.001;

/** Whether there is something with an outline: on an even ground what has no colour of its own may be taken for its shadow. */
function hasOutlines(lab: Lab): boolean {
  const edges = edgesOf(lab);
  let firm = 0;
  for (let i = 0; i < edges.length; i++) if (edges[i]! > OUTLINE) firm++;
  return firm > OUTLINED * edges.length;
}

export type Plain = {
  readonly ground: Ground;
  /** Null where the ground is busy, or nothing is unlike it. */
  readonly subject: FoundSubject | null;
  /** Whether there is no need to look at the photo in any other way. */
  readonly clear: boolean;
};

/** Ground and subject of a picture of about 256 pixels on its longer side. */
export function plainSubject(lab: Lab): Plain {
  const ground = groundOf(lab);
  const subject = ground.plain >= PLAIN ? onPlain(ground, lab) : null;
  // Where nothing is unlike an even ground, and nothing has an outline, there is nothing to look for.
  const isTold = () => (subject ? subject.confidence >= TRUSTED : !hasOutlines(lab));
  return { ground, subject, clear: isEven(ground) && isTold() };
}

/** Boxes that overlap so far are the same subject; then the one by the ground's colour is more exact. */
const SAME = 0.75;

/** No rule goes by a confidence of less than 0.2. */
const GUESS = 0.1;

/** Of a subject found by the ground's colour and one found as on a busy ground: the one to be taken. */
export function taken({ ground, subject: plain }: Plain, busy: FoundSubject | null): FoundSubject | null {
  if (!plain) return busy;
  // What a photo seems to be of while nothing in it stands out is a guess: no rule goes by it.
  if (!busy) return { ...plain, confidence: Math.min(GUESS, plain.confidence) };
  if (overlap(plain.box, busy.box) >= SAME)
    return { ...plain, confidence: Math.max(plain.confidence, busy.confidence) };
  return isEven(ground) && plain.confidence > busy.confidence ? plain : busy;
}
