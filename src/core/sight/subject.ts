/** The thing that a photo is of. */
import { distanceFrom, groundOf, litDistance, type Ground } from './ground';
import { halved, toLab, type Lab } from './lab';
import { filled, grown, opened, otsu, partsOf, type Part } from './masks';
import { saliencyOf } from './saliency';
import type { FoundSubject } from './sight';
import { smallMask } from './small-mask';

/** A small opaque picture: three bytes a pixel. */
export type Raster = { readonly rgb: Uint8Array | Uint8ClampedArray; readonly width: number; readonly height: number };

/** Grounds of which less of the rim is alike are busy. */
const PLAIN = 0.85;
/** Parts of at least this share of the largest one belong to the subject, or are another. */
const OTHERS = 0.3;
/** Where values become subject: at least `floor`, and `share` of Otsu's threshold; parts nearer than `near` of the picture's longer side are one thing (a mug and its handle). */
type Cut = {
  readonly floor: number;
  readonly share: number;
  readonly near: number;
  readonly open: number;
  readonly rim: number;
};

/** Differences beyond this (ΔE*ab) are all the same: what matters is ground or not. */
const CLIPPED = 12;

/** Least difference (ΔE*ab) that is no unevenness of the ground. */
const FLOOR = 1.5;

type Candidate = {
  readonly subject: FoundSubject;
  readonly trust: number;
  readonly pixels: readonly number[];
  /** Values above this are subject. */
  readonly limit: number;
};

const gapBetween = ([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box']) =>
  Math.max(l2 - r, l - r2, t2 - b, t - b2, 0);

/** True where the other part is just as wide or narrower and right below or above: a glazed top and the foot of the same pot. */
function standsOn([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box'], near: number): boolean {
  return near > 0 && l2 >= l - near && r2 <= r + near && Math.max(t2 - b, t - b2) <= 0.75 * (b - t);
}

const aroundAll = (boxes: readonly Part['box'][]): Part['box'] =>
  boxes.reduce(([l, t, r, b], o) => [Math.min(l, o[0]), Math.min(t, o[1]), Math.max(r, o[2]), Math.max(b, o[3])]);

/** Parts that lie close to the main one joined to it, and the others that are about as large. */
function mainPart(parts: readonly Part[], width: number, height: number, nearby: number) {
  const centred = ({ pixels, box: [l, t, r, b] }: Part) => {
    const off = Math.hypot((l + r) / 2 / width - 0.5, (t + b) / 2 / height - 0.5);
    return pixels.length * (1 - Math.min(0.8, off));
  };
  const main = parts.reduce((best, part) => (centred(part) > centred(best) ? part : best));
  const near = nearby * Math.max(width, height);
  const own = parts.filter(
    (part) => part === main || gapBetween(part.box, main.box) <= near || standsOn(main.box, part.box, near),
  );
  const others = parts.filter((part) => !own.includes(part) && part.pixels.length >= OTHERS * main.pixels.length);
  const box = aroundAll(own.map((part) => part.box));
  return { box, pixels: own.length === 1 ? main.pixels : own.flatMap((part) => part.pixels), others };
}

/** Share of the threshold that is enough right beside the subject. */
const RIM = 0.7;

/** The mask's subject; null where nothing is left of it. */
function candidate(
  values: Float32Array,
  width: number,
  height: number,
  { floor, share, near, open, rim }: Cut,
): Candidate | null {
  let most = 0;
  for (let i = 0; i < values.length; i++) most = Math.max(most, values[i]!);
  if (most <= floor) return null;
  const { threshold, parted } = otsu(values, Math.min(most, CLIPPED));
  const limit = Math.max(threshold * share, floor);
  // A plain loop: Uint8Array.from with a function takes many times as long.
  const mask = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i++) if (values[i]! > limit) mask[i] = 1;
  // The rim of a subject mixes with its ground: two pixels outwards what is at all unlike counts.
  const beside = Math.max(limit * RIM, floor);
  for (let i = 0; i < rim; i++) {
    const wider = grown(mask, width, height);
    for (let k = 0; k < mask.length; k++) if (wider[k] === 1 && values[k]! > beside) mask[k] = 1;
  }
  const least = values.length / 400;
  const parts = partsOf(filled(opened(mask, width, height, open), width, height), width, height).filter(
    (part) => part.pixels.length >= least,
  );
  if (parts.length === 0) return null;
  const { box, pixels, others } = mainPart(parts, width, height, near);
  const [l, t, r, b] = box;
  // A subject that runs off several sides is rather a wrong ground.
  const touching = [l === 0, t === 0, r === width, b === height].filter(Boolean).length;
  const whole = touching < 2 ? 1 : touching === 2 ? 0.6 : 0.25;
  const trust = whole * straying(values, limit, others, pixels.length, box, width) * clamped((parted - 0.35) / 0.4);
  return { subject: subjectOf(pixels, box, 1 + others.length, width, height), trust, pixels, limit };
}

const clamped = (v: number) => Math.min(1, Math.max(0, v));

function subjectOf(pixels: readonly number[], box: Part['box'], count: number, width: number, height: number) {
  const [l, t, r, b] = box;
  let [cx, cy] = [0, 0];
  for (const i of pixels) {
    cx += ((i % width) + 0.5) / pixels.length;
    cy += (Math.floor(i / width) + 0.5) / pixels.length;
  }
  const subject: FoundSubject = {
    box: [l / width, t / height, (r - l) / width, (b - t) / height],
    centroid: [cx / width, cy / height],
    area: pixels.length / (width * height),
    confidence: 0,
    mask: smallMask(pixels, box, width),
    count,
  };
  return subject;
}

/** Specks unlike the ground outside the subject's box, as shares of the subject, from which on it is trusted less, and from which on not at all. */
const STRAYS = [0.15, 0.5] as const;

/** How much to trust a subject while much beside it, no thing of its own, is unlike the ground, too: a speckled white pot of which only the brown foot was found. */
function straying(
  values: Float32Array,
  limit: number,
  others: readonly Part[],
  size: number,
  [l, t, r, b]: Part['box'],
  width: number,
): number {
  const known = new Uint8Array(values.length);
  for (const { pixels } of others) for (const i of pixels) known[i] = 1;
  let strays = 0;
  for (let i = 0, x = 0, y = 0; i < values.length; i++) {
    if (values[i]! > limit && known[i] === 0 && (x < l || x >= r || y < t || y >= b)) strays++;
    if (++x === width) {
      x = 0;
      y++;
    }
  }
  return 1 - clamped((strays / size - STRAYS[0]) / (STRAYS[1] - STRAYS[0]));
}

/** Less of a subject than this may be left without what is perhaps its shadow, or it is dark itself. */
const LIT = 0.9;

/** The subject without the deep shadow at its foot, if it is not itself as dark and colourless as a shadow. */
function withoutShadow(found: Candidate, ground: Ground, lab: Lab, width: number, height: number): Candidate {
  const distances = litDistance(ground, lab, found.pixels, width, height);
  const mask = new Uint8Array(width * height);
  let kept = 0;
  found.pixels.forEach((i, k) => {
    if (distances[k]! <= found.limit) return;
    mask[i] = 1;
    kept++;
  });
  // Much less is no shadow alone, and nothing has to be done about nothing.
  if (kept === found.pixels.length || kept < found.pixels.length / 2) return found;
  // Its rim mixes with the ground, as before.
  const wider = grown(mask, width, height);
  found.pixels.forEach((i, k) => {
    if (wider[i] === 1 && distances[k]! > found.limit * RIM) mask[i] = 1;
  });
  const lit = partsOf(opened(filled(mask, width, height), width, height, 1), width, height);
  const pixels = lit.flatMap((part) => part.pixels);
  if (pixels.length < LIT * found.pixels.length || pixels.length >= found.pixels.length) return found;
  const box = aroundAll(lit.map((part) => part.box));
  return { ...found, pixels, subject: subjectOf(pixels, box, found.subject.count, width, height) };
}

/** Common area of two boxes over the area of both together, 0…1. */
function overlap([l, t, w, h]: FoundSubject['box'], [l2, t2, w2, h2]: FoundSubject['box']): number {
  const across = Math.max(0, Math.min(l + w, l2 + w2) - Math.max(l, l2));
  const down = Math.max(0, Math.min(t + h, t2 + h2) - Math.max(t, t2));
  return (across * down) / (w * h + w2 * h2 - across * down);
}

/** Ground and subject of a picture of about 256 pixels on its longer side. */
export function subjectIn({ rgb, width, height }: Raster): {
  readonly ground: Ground;
  readonly subject: FoundSubject | null;
  readonly lab: Lab;
} {
  const lab = toLab(rgb);
  const ground = groundOf(lab, width, height);
  const floor = Math.max(FLOOR, 2 * ground.noise);
  const isPlain = ground.plain >= PLAIN;
  const plain = candidate(
    distanceFrom(ground, lab, width, height),
    width,
    height,
    isPlain ? { floor, share: 1, near: 0.04, open: 1, rim: 2 } : { floor, share: 1, near: 0.01, open: 2, rim: 0 },
  );
  const byGround = plain && {
    ...(isPlain ? withoutShadow(plain, ground, lab, width, height) : plain).subject,
    confidence: plain.trust * Math.min(1, ground.known / PLAIN) ** 2 * (0.5 + 0.5 * Math.min(1, ground.plain / PLAIN)),
  };
  if (byGround && isPlain) return { ground, lab, subject: byGround };
  // Half as fine each way: saliency is soft anyway, and takes its time.
  const small = halved(lab, width, height);
  const salient = candidate(saliencyOf(small, small.width, small.height), small.width, small.height, {
    floor: 12,
    share: 1,
    near: 0,
    open: 1,
    rim: 0,
  });
  const bySaliency = salient && { ...salient.subject, confidence: salient.trust * 0.7 };
  if (byGround && bySaliency) {
    // On a busy ground both ways have to agree to be trusted.
    const agree = overlap(byGround.box, bySaliency.box);
    byGround.confidence *= 0.2 + 0.6 * agree;
    bySaliency.confidence *= 0.2 + 0.6 * agree;
  }
  const better =
    byGround && bySaliency
      ? byGround.confidence > bySaliency.confidence
        ? byGround
        : bySaliency
      : (byGround ?? bySaliency);
  return { ground, lab, subject: better };
}
