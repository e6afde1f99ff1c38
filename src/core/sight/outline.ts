/** What a subject's outline holds: a white pot on pale paper is unlike it along most of its outline, and hardly anywhere else. */
import type { Distances } from './ground';
import type { Lab, Size } from './lab';
import { cleaned, grown, partsOf, reachedFromRim, type Mask } from './masks';

/** JPEG keeps colour in blocks several pixels wide: a step of a* or b* counts so much of one of L*, squared. */
const COLOUR_WEIGHT = 0.25;
/** Steps between neighbouring pixels beyond this are an outline; the ground and soft shadows change more slowly. */
const EDGE = 1;

/** How much the picture changes at every pixel: Sobel's operator over the three planes together, in ΔE*ab a pixel but for the weight of colour; what lies on the rim as its neighbour inside. */
export function edgesOf({ l, a, b, width, height }: Lab): Float32Array {
  const out = new Float32Array(l.length);
  const planes = [l, a, b];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1, i = y * width + 1; x < width - 1; x++, i++) {
      const [up, down] = [i - width, i + width];
      let sum = 0;
      for (let k = 0; k < 3; k++) {
        const p = planes[k]!;
        const falling = p[down + 1]! - p[up - 1]!;
        const rising = p[up + 1]! - p[down - 1]!;
        const across = falling + rising + 2 * (p[i + 1]! - p[i - 1]!);
        const along = falling - rising + 2 * (p[down]! - p[up]!);
        sum += (across * across + along * along) * (k === 0 ? 1 : COLOUR_WEIGHT);
      }
      out[i] = Math.sqrt(sum) / 8;
    }
  const last = (height - 1) * width;
  for (let x = 0; x < width; x++) {
    out[x] = out[x + width]!;
    out[last + x] = out[last + x - width]!;
  }
  for (let y = 0; y < height; y++) {
    out[y * width] = out[y * width + 1]!;
    out[y * width + width - 1] = out[y * width + width - 2]!;
  }
  return out;
}

const SUBJECT = 1;
const GROUND = 2;

/** Steps of half a ΔE*ab by which edges are flooded. */
const LEVELS = 64;
const LEVEL = 0.5;

/**
 * Floods what is not labelled yet from what is, the flattest pixels first, so that labels meet
 * on the ridges between them (Vincent and Soille 1991, "Watersheds in digital spaces"); a
 * region is flooded as a whole.
 */
function flood(
  labels: Uint8Array,
  edges: Float32Array,
  regions: readonly { readonly pixels: readonly number[] }[],
  { width }: Size,
): void {
  const regionOf = new Int32Array(labels.length).fill(-1);
  regions.forEach(({ pixels }, k) => {
    for (const i of pixels) regionOf[i] = k;
  });
  const waiting: number[][] = Array.from({ length: LEVELS }, () => []);
  const set = (i: number, label: number, level: number) => {
    if (labels[i] !== 0) return;
    labels[i] = label;
    waiting[Math.max(level, Math.min(LEVELS - 1, Math.floor(edges[i]! / LEVEL)))]!.push(i);
  };
  const reach = (i: number, label: number, level: number) => {
    if (labels[i] !== 0) return;
    if (regionOf[i]! < 0) set(i, label, level);
    else for (const k of regions[regionOf[i]!]!.pixels) set(k, label, level);
  };
  const around = (i: number, level: number) => {
    const x = i % width;
    const label = labels[i]!;
    if (x > 0) reach(i - 1, label, level);
    if (x < width - 1) reach(i + 1, label, level);
    if (i >= width) reach(i - width, label, level);
    if (i < labels.length - width) reach(i + width, label, level);
  };
  // Begins where what has no label touches what has one: most of the picture does not.
  const seeds: number[] = [];
  for (let i = 0, x = 0; i < labels.length; i++) {
    if (labels[i] === 0) {
      if (x > 0 && labels[i - 1] !== 0) seeds.push(i - 1);
      if (x < width - 1 && labels[i + 1] !== 0) seeds.push(i + 1);
      if (i >= width && labels[i - width] !== 0) seeds.push(i - width);
      if (i < labels.length - width && labels[i + width] !== 0) seeds.push(i + width);
    }
    if (++x === width) x = 0;
  }
  for (const i of seeds) around(i, 0);
  for (let level = 0; level < LEVELS; level++)
    for (let k = 0; k < waiting[level]!.length; k++) around(waiting[level]![k]!, level);
}

export type Enclosed = {
  /** What belongs to the subject by its outline. */
  readonly inside: Mask;
  /** What can be reached from the photo's rim without crossing an outline or what is surely subject. */
  readonly outside: Mask;
};

/** Lighter than the ground by this (L*) is no shadow of the subject. */
const LIGHTER = 1;
/** A region of which this share is surely subject or lighter is so as a whole. */
const ENOUGH = 0.3;
/** So is one of at least so many pixels, no chroma block of JPEG beside the subject, … */
const LARGE = 60;
/** … that is this unlike the ground on average (ΔE*ab) … */
const UNLIKE = 1.4;
/** … without being much darker (L*). */
const DARKER = -8;

/** True where a region between outlines is no ground and no shadow. */
function isSubject(pixels: readonly number[], sure: Mask, { unshaded, lighter }: Tones): boolean {
  let [votes, unlike, light] = [0, 0, 0];
  for (const i of pixels) {
    if (sure[i] === 1 || lighter[i]! > LIGHTER) votes++;
    unlike += unshaded[i]!;
    light += lighter[i]!;
  }
  const n = pixels.length;
  return votes > ENOUGH * n || (n > LARGE && unlike > UNLIKE * n && light > DARKER * n);
}

/** Gaps in an outline up to twice so many pixels are no way in. */
const GAP = 3;

type Tones = Pick<Distances, 'unshaded' | 'lighter'>;

/**
 * Parts the picture by its outlines. What lies between them is subject by its own colour;
 * all else goes to the side from which the lower edge leads: a shadow's rim is softer
 * towards the ground than towards the pot.
 *
 * @param sure what is subject by its colour
 */
export function enclosed(edges: Float32Array, size: Size, sure: Mask, tones: Tones): Enclosed {
  const walls = new Uint8Array(edges.length);
  for (let i = 0; i < walls.length; i++) if (sure[i] === 1 || edges[i]! > EDGE) walls[i] = 1;
  // Gaps in an outline are closed, then what was reached grows back up to it.
  const outside = grown(reachedFromRim(grown(walls, size, GAP), size), size, GAP);
  const smooth = new Uint8Array(edges.length);
  for (let i = 0; i < walls.length; i++) {
    if (walls[i] === 1) outside[i] = 0;
    if (outside[i] === 0 && edges[i]! <= EDGE) smooth[i] = 1;
  }
  const labels = new Uint8Array(edges.length);
  for (let i = 0; i < labels.length; i++) if (outside[i] === 1) labels[i] = GROUND;
  const regions = partsOf(smooth, size);
  for (const { pixels } of regions) if (isSubject(pixels, sure, tones)) for (const i of pixels) labels[i] = SUBJECT;
  flood(labels, edges, regions, size);
  const inside = new Uint8Array(edges.length);
  for (let i = 0; i < labels.length; i++) if (labels[i] === SUBJECT) inside[i] = 1;
  return { inside: cleaned(inside, size), outside };
}
