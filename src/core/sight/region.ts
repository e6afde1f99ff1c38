/** Which pixels are subject: by their colour, and on a plain ground by their outline. */
import type { Distances } from './ground';
import type { Size } from './lab';
import { cleaned, closed, filled, grown, opened, otsu, type Mask } from './masks';
import { enclosed } from './outline';

/** Values above `floor` and Otsu's threshold become subject, with `rim` pixels around that are nearly so, without specks and bridges thinner than 2·`open` + 1. */
export type Cut = { readonly floor: number; readonly open: number; readonly rim: number };

export type Region = {
  readonly mask: Mask;
  /** The threshold used. */
  readonly limit: number;
  /** How well it parts subject and ground, 0…1. */
  readonly parted: number;
};

/** Differences beyond this (ΔE*ab) are all the same: what matters is ground or not. */
const CLIPPED = 12;
/** Share of the threshold that is enough right beside the subject, as its rim mixes with the ground. */
const RIM = 0.7;

/** Pixels whose value is that of a subject; null where no value is. */
export function regionOf(values: Float32Array, size: Size, cut: Cut): Region | null {
  let most = 0;
  for (let i = 0; i < values.length; i++) most = Math.max(most, values[i]!);
  if (most <= cut.floor) return null;
  const { threshold, parted } = otsu(values, Math.min(most, CLIPPED));
  const limit = Math.max(threshold, cut.floor);
  const mask = above(values, limit);
  const beside = Math.max(limit * RIM, cut.floor);
  for (let i = 0; i < cut.rim; i++) {
    const wider = grown(mask, size);
    for (let k = 0; k < mask.length; k++) if (wider[k] === 1 && values[k]! > beside) mask[k] = 1;
  }
  return { mask: opened(mask, size, cut.open), limit, parted };
}

/** What is above a limit. A plain loop: Uint8Array.from with a function takes many times as long. */
function above(values: Float32Array, limit: number): Mask {
  const out = new Uint8Array(values.length);
  for (let i = 0; i < out.length; i++) if (values[i]! > limit) out[i] = 1;
  return out;
}

/** What both masks have. */
function common(mask: Mask, other: Mask): Mask {
  const out = new Uint8Array(mask.length);
  for (let i = 0; i < out.length; i++) out[i] = mask[i]! & other[i]!;
  return out;
}

function sizeOf(mask: Mask): number {
  let size = 0;
  for (let i = 0; i < mask.length; i++) size += mask[i]!;
  return size;
}

/** Unlike the ground by more than this (ΔE*ab), and not by being darker alone: surely subject. */
const SURE = 2.5;

/** On a plain ground: what is subject by its colour, without its shadow, and what its outline holds. */
export function outlined({ mask, limit }: Region, tones: Distances, edges: Float32Array, size: Size): Mask {
  let sure = common(mask, above(tones.unshaded, SURE));
  // Much less is no shadow alone: the subject is as dark and colourless itself.
  if (sizeOf(sure) < sizeOf(mask) / 2) sure = mask;
  const { inside, outside } = enclosed(edges, size, sure, tones);
  for (let i = 0; i < inside.length; i++) if (sure[i] === 1 && outside[i] === 0) inside[i] = 1;
  return trimmed(filled(inside, size), limit, tones.unshaded, size);
}

/** Less of a subject than this may be left without what is perhaps its shadow, or it is dark itself. */
const LIT = 0.9;

/** A subject's mask without a thin rim of shadow. */
function trimmed(mask: Mask, limit: number, unshaded: Float32Array, size: Size): Mask {
  const lit = common(mask, above(unshaded, limit));
  const wider = grown(lit, size);
  for (let i = 0; i < lit.length; i++) if (wider[i] === 1 && mask[i] === 1 && unshaded[i]! > limit * RIM) lit[i] = 1;
  const left = cleaned(filled(lit, size), size);
  return sizeOf(left) < LIT * sizeOf(mask) ? mask : left;
}

/** Edges firmer than this (ΔE*ab a pixel) are rarely a shadow's. */
const FIRM = 5;
/** Gaps up to twice so many pixels in them are closed. */
const GAP = 3;

/** A mask with all that firm edges around it hold: a pot of exactly the ground's colour has only them. */
export function silhouette(mask: Mask, edges: Float32Array, size: Size): Mask {
  const firm = above(edges, FIRM);
  for (let i = 0; i < firm.length; i++) firm[i]! |= mask[i]!;
  return opened(closed(firm, size, GAP), size, 1);
}
