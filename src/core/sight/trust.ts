/** How far to trust that what was found is the whole subject and nothing else. */
import type { Size } from './lab';
import type { MainPart } from './main-part';
import { grown } from './masks';
import type { Region } from './region';

const clamped = (v: number) => Math.min(1, Math.max(0, v));

/** What is unlike the ground outside the subject's box, as a share of the subject's area, from which on it is trusted less, and from which on not at all. */
const STRAYS = [0.15, 0.5] as const;
/** The same for sharp edges, as shares of the way around the box. */
const STRAY_EDGES = [0.3, 1] as const;
/** Edges as sharp as this (ΔE*ab a pixel) are no shadow's. */
const SHARP = 5;
/** Pixels around a thing that are its own rim. */
const RIM = 3;

/** Pixels above a limit outside the subject's box that belong to no other thing. */
function straysOf(
  values: Float32Array,
  limit: number,
  { width }: Size,
  [l, t, r, b]: MainPart['box'],
  others: Uint8Array,
): number {
  let strays = 0;
  for (let i = 0, x = 0, y = 0; i < values.length; i++) {
    if (values[i]! > limit && others[i] === 0 && (x < l || x >= r || y < t || y >= b)) strays++;
    if (++x === width) {
      x = 0;
      y++;
    }
  }
  return strays;
}

const less = (share: number, [from, to]: readonly [number, number]) => 1 - clamped((share - from) / (to - from));

/**
 * 0…1: less where the subject runs off several sides, as that is rather a wrong ground;
 * where much beside it is unlike the ground or has sharp edges, as for a speckled white pot
 * of which only the brown foot was found; and where subject and ground are hardly parted.
 *
 * @param values what the region was cut from
 * @param edges null on a busy ground, which is full of them
 */
export function trustIn(
  { pixels, box, others }: MainPart,
  { limit, parted }: Region,
  values: Float32Array,
  edges: Float32Array | null,
  size: Size,
): number {
  const [l, t, r, b] = box;
  const touching = [l === 0, t === 0, r === size.width, b === size.height].filter(Boolean).length;
  const whole = touching < 2 ? 1 : touching === 2 ? 0.6 : 0.25;
  const known = new Uint8Array(values.length);
  for (const other of others) for (const i of other.pixels) known[i] = 1;
  let strays = less(straysOf(values, limit, size, box, known) / pixels.length, STRAYS);
  if (edges) {
    const beside = others.length > 0 ? grown(known, size, RIM) : known;
    const stray = straysOf(edges, SHARP, size, [l - RIM, t - RIM, r + RIM, b + RIM], beside);
    strays *= less(stray / (2 * (r - l + b - t)), STRAY_EDGES);
  }
  return whole * strays * clamped((parted - 0.35) / 0.4);
}
