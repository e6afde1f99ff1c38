/** The thing that a photo is of. */
import { overlap } from './boxes';
import { edgesOf } from './edges';
import { distancesFrom, groundOf, type Ground } from './ground';
import { halved, type Lab, type Size } from './lab';
import { mainPart, type MainPart } from './main-part';
import { filled } from './masks';
import { outlined, regionOf, silhouette, type Region } from './region';
import { saliencyOf } from './saliency';
import type { FoundSubject } from './sight';
import { smallMask } from './small-mask';
import { trustIn } from './trust';

/** Grounds of which less of the rim is alike are busy. */
const PLAIN = 0.85;
/** Least difference (ΔE*ab) that is no unevenness of the ground. */
const FLOOR = 1.5;
/** Least barrier distance that stands out. */
const STANDOUT = 12;
/** Parts so close, as a share of the picture's longer side, are one thing on a plain ground. */
const NEARBY = 0.04;
/** A subject trusted less is looked for by its firm edges, too. */
const DOUBTED = 0.3;
/** … and they have to do better by this. */
const BETTER = 0.1;

/** A subject whose confidence is what it was seen with. */
function subjectOf({ pixels, box, others }: MainPart, { width, height }: Size, confidence: number): FoundSubject {
  const [l, t, r, b] = box;
  let [cx, cy] = [0, 0];
  for (const i of pixels) {
    cx += ((i % width) + 0.5) / pixels.length;
    cy += (Math.floor(i / width) + 0.5) / pixels.length;
  }
  return {
    box: [l / width, t / height, (r - l) / width, (b - t) / height],
    centroid: [cx / width, cy / height],
    area: pixels.length / (width * height),
    confidence,
    mask: smallMask(pixels, box, width),
    count: 1 + others.length,
  };
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
  const mask = outlined(region, tones, edges, lab);
  let best = found({ ...region, mask }, tones.seen, lab, NEARBY, edges);
  if (best && best.trust < DOUBTED) {
    const held = { ...region, mask: silhouette(mask, edges, lab) };
    const other = found(held, tones.seen, lab, NEARBY, edges);
    if (other && other.trust > best.trust + BETTER) best = other;
  }
  return best && subjectOf(best.part, lab, best.trust);
}

const floorOf = ({ noise }: Ground) => Math.max(FLOOR, 2 * noise);

/** By the colours of the ground, where it has several. */
function onBusy(ground: Ground, lab: Lab): FoundSubject | null {
  const { seen } = distancesFrom(ground, lab);
  const region = regionOf(seen, lab, { floor: floorOf(ground), open: 2, rim: 0 });
  const best = region && found({ ...region, mask: filled(region.mask, lab) }, seen, lab, 0);
  const known = Math.min(1, ground.known / PLAIN) ** 2 * (0.5 + 0.5 * (ground.plain / PLAIN));
  return best && subjectOf(best.part, lab, best.trust * known);
}

/** By what stands out. */
function standingOut(lab: Lab): FoundSubject | null {
  // Half as fine each way: saliency is soft anyway, and takes its time.
  const small = halved(lab);
  const salience = saliencyOf(small);
  const region = regionOf(salience, small, { floor: STANDOUT, open: 1, rim: 0 });
  const best = region && found({ ...region, mask: filled(region.mask, small) }, salience, small, 0);
  return best && subjectOf(best.part, small, best.trust * 0.7);
}

/** Of two that were found on a busy ground the one to be trusted more; both ways have to agree to be trusted at all. */
function better(a: FoundSubject | null, b: FoundSubject | null): FoundSubject | null {
  if (!a || !b) return a ?? b;
  const best = a.confidence > b.confidence ? a : b;
  return { ...best, confidence: best.confidence * (0.2 + 0.6 * overlap(a.box, b.box)) };
}

/** Ground and subject of a picture of about 256 pixels on its longer side. */
export function subjectIn(lab: Lab): { readonly ground: Ground; readonly subject: FoundSubject | null } {
  const ground = groundOf(lab);
  const plain = ground.plain >= PLAIN ? onPlain(ground, lab) : null;
  return { ground, subject: plain ?? better(onBusy(ground, lab), standingOut(lab)) };
}
