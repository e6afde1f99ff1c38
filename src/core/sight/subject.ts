/** The thing that a photo is of. */
import { distancesFrom, groundOf, lightnessOver, type Ground } from './ground';
import { halved, toLab, type Lab } from './lab';
import { filled, grown, opened, otsu, partsOf, type Mask, type Part } from './masks';
import { edgesOf, enclosed } from './outline';
import { saliencyOf } from './saliency';
import type { FoundSubject } from './sight';
import { smallMask } from './small-mask';

/** A small opaque picture: three bytes a pixel. */
export type Raster = { readonly rgb: Uint8Array | Uint8ClampedArray; readonly width: number; readonly height: number };

/** Grounds of which less of the rim is alike are busy. */
const PLAIN = 0.85;
/** Parts of at least this share of the largest one belong to the subject, or are another. */
const OTHERS = 0.3;
/** Values above `floor` and Otsu's threshold become subject, with `rim` pixels around that are nearly so, without specks and bridges thinner than 2·`open` + 1. */
type Cut = { readonly floor: number; readonly open: number; readonly rim: number };

/** Differences beyond this (ΔE*ab) are all the same: what matters is ground or not. */
const CLIPPED = 12;

/** Least difference (ΔE*ab) that is no unevenness of the ground. */
const FLOOR = 1.5;

type Candidate = { readonly subject: FoundSubject; readonly trust: number };

const gapBetween = ([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box']) =>
  Math.max(l2 - r, l - r2, t2 - b, t - b2, 0);

/** True where one part is about as wide as the other or narrower, and right below or above: the rim of a white pot and its foot. */
function stands([l, t, r, b]: Part['box'], [l2, t2, r2, b2]: Part['box'], near: number): boolean {
  const within = (l2 >= l - near && r2 <= r + near) || (l >= l2 - near && r <= r2 + near);
  return near > 0 && within && Math.max(t2 - b, t - b2) <= 0.75 * Math.max(b - t, b2 - t2);
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
  const own = [main];
  for (const { box } of own)
    for (const part of parts)
      if (!own.includes(part) && (gapBetween(part.box, box) <= near || stands(box, part.box, near))) own.push(part);
  const others = parts.filter((part) => !own.includes(part) && part.pixels.length >= OTHERS * main.pixels.length);
  const box = aroundAll(own.map((part) => part.box));
  return { box, pixels: own.length === 1 ? main.pixels : own.flatMap((part) => part.pixels), others };
}

/** Share of the threshold that is enough right beside the subject. */
const RIM = 0.7;

type Region = { readonly mask: Mask; readonly limit: number; readonly parted: number };

/** Pixels whose value is that of a subject, the limit used, and how well it parts them (0…1); null where no value is. */
function regionOf(values: Float32Array, width: number, height: number, cut: Cut): Region | null {
  let most = 0;
  for (let i = 0; i < values.length; i++) most = Math.max(most, values[i]!);
  if (most <= cut.floor) return null;
  const { threshold, parted } = otsu(values, Math.min(most, CLIPPED));
  const limit = Math.max(threshold, cut.floor);
  // A plain loop: Uint8Array.from with a function takes many times as long.
  const mask = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i++) if (values[i]! > limit) mask[i] = 1;
  // The rim of a subject mixes with its ground: some pixels outwards what is at all unlike counts.
  const beside = Math.max(limit * RIM, cut.floor);
  for (let i = 0; i < cut.rim; i++) {
    const wider = grown(mask, width, height);
    for (let k = 0; k < mask.length; k++) if (wider[k] === 1 && values[k]! > beside) mask[k] = 1;
  }
  return { mask: opened(mask, width, height, cut.open), limit, parted };
}

/** The main thing in a mask; null where nothing is left of it. */
function candidate(
  values: Float32Array,
  width: number,
  height: number,
  { mask, limit, parted }: Region,
  near: number,
  edges: Float32Array | null = null,
): Candidate | null {
  const least = values.length / 400;
  const parts = partsOf(mask, width, height).filter((part) => part.pixels.length >= least);
  if (parts.length === 0) return null;
  const { box, pixels, others } = mainPart(parts, width, height, near);
  const [l, t, r, b] = box;
  // A subject that runs off several sides is rather a wrong ground.
  const touching = [l === 0, t === 0, r === width, b === height].filter(Boolean).length;
  const whole = touching < 2 ? 1 : touching === 2 ? 0.6 : 0.25;
  const known = new Uint8Array(values.length);
  for (const other of others) for (const i of other.pixels) known[i] = 1;
  const strays =
    straying(values, limit, known, box, width, pixels.length, STRAYS) *
    (edges ? strayingEdges(edges, others.length > 0 ? spread(known, width, height) : known, box, width) : 1);
  const trust = whole * strays * clamped((parted - 0.35) / 0.4);
  return { subject: subjectOf(pixels, box, 1 + others.length, width, height), trust };
}

const spread = (mask: Mask, width: number, height: number) =>
  grown(grown(grown(mask, width, height), width, height), width, height);

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

/** What is unlike the ground outside the subject's box, as a share of the subject's area, from which on it is trusted less, and from which on not at all. */
const STRAYS = [0.15, 0.5] as const;
/** Edges as sharp as this (ΔE*ab a pixel) are no shadow's. */
const SHARP = 5;
/** The same for sharp edges, as shares of the way around the box. */
const STRAY_EDGES = [0.3, 1] as const;

/** How much to trust a subject while much beside it, no thing of its own, is high, too: a speckled white pot of which only the brown foot was found. */
function straying(
  values: Float32Array,
  limit: number,
  known: Mask,
  [l, t, r, b]: Part['box'],
  width: number,
  size: number,
  [from, to]: readonly [number, number],
): number {
  let strays = 0;
  for (let i = 0, x = 0, y = 0; i < values.length; i++) {
    if (values[i]! > limit && known[i] === 0 && (x < l || x >= r || y < t || y >= b)) strays++;
    if (++x === width) {
      x = 0;
      y++;
    }
  }
  return 1 - clamped((strays / size - from) / (to - from));
}

/** The same by edges too sharp for a shadow: the outline of which only a part was found. */
function strayingEdges(edges: Float32Array, known: Mask, [l, t, r, b]: Part['box'], width: number): number {
  const around = 2 * (r - l + b - t);
  return straying(edges, SHARP, known, [l - 3, t - 3, r + 3, b + 3], width, around, STRAY_EDGES);
}

/** Unlike the ground by more than this (ΔE*ab), and not by being darker alone: surely subject. */
const SURE = 2.5;

/** What of a mask is above a limit. */
function above(mask: Mask, values: Float32Array, limit: number): Mask {
  const out = new Uint8Array(mask.length);
  for (let i = 0; i < out.length; i++) if (mask[i] === 1 && values[i]! > limit) out[i] = 1;
  return out;
}

/** On a plain ground: what is subject by its colour, without its shadow, and what its outline holds. */
function outlined(
  { mask, limit }: Region,
  unshaded: Float32Array,
  edges: Float32Array,
  lightness: Float32Array,
  width: number,
  height: number,
) {
  let sure = above(mask, unshaded, SURE);
  // Much less is no shadow alone: the subject is as dark and colourless itself.
  if (sizeOf(sure) < sizeOf(mask) / 2) sure = mask;
  const { inside, outside } = enclosed(edges, width, height, sure, lightness);
  for (let i = 0; i < inside.length; i++) if (sure[i] === 1 && outside[i] === 0) inside[i] = 1;
  return trimmed(filled(inside, width, height), limit, unshaded, width, height);
}

/** Less of a subject than this may be left without what is perhaps its shadow, or it is dark itself. */
const LIT = 0.9;

/** A subject's mask without a thin rim of shadow. */
function trimmed(mask: Mask, limit: number, unshaded: Float32Array, width: number, height: number): Mask {
  const lit = above(mask, unshaded, limit);
  // Its rim mixes with the ground, as before.
  const wider = grown(lit, width, height);
  for (let i = 0; i < lit.length; i++) if (wider[i] === 1 && mask[i] === 1 && unshaded[i]! > limit * RIM) lit[i] = 1;
  const left = opened(filled(lit, width, height), width, height, 1);
  return sizeOf(left) < LIT * sizeOf(mask) ? mask : left;
}

function sizeOf(mask: Mask): number {
  let size = 0;
  for (let i = 0; i < mask.length; i++) size += mask[i]!;
  return size;
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
  const { seen: values, unshaded } = distancesFrom(ground, lab, width, height);
  const region = regionOf(values, width, height, { floor, open: isPlain ? 1 : 2, rim: isPlain ? 2 : 0 });
  const edges = isPlain ? edgesOf(lab, width, height) : null;
  const mask =
    region &&
    (edges
      ? outlined(region, unshaded, edges, lightnessOver(ground, lab, width, height), width, height)
      : filled(region.mask, width, height));
  const plain = mask && candidate(values, width, height, { ...region, mask }, isPlain ? 0.04 : 0, edges);
  const byGround = plain && {
    ...plain.subject,
    confidence: plain.trust * Math.min(1, ground.known / PLAIN) ** 2 * (0.5 + 0.5 * Math.min(1, ground.plain / PLAIN)),
  };
  if (byGround && isPlain) return { ground, lab, subject: byGround };
  // Half as fine each way: saliency is soft anyway, and takes its time.
  const small = halved(lab, width, height);
  const salience = saliencyOf(small, small.width, small.height);
  const standout = regionOf(salience, small.width, small.height, { floor: 12, open: 1, rim: 0 });
  const salient =
    standout &&
    candidate(
      salience,
      small.width,
      small.height,
      { ...standout, mask: filled(standout.mask, small.width, small.height) },
      0,
    );
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
