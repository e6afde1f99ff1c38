/** What a subject's outline holds: a white pot on pale paper is unlike it along most of its outline, and hardly anywhere else. */
import type { Distances } from './ground';
import type { Size } from './lab';
import { cleaned, grown, partsOf, reachedFromRim, type Mask, type Part } from './masks';

/** Steps between neighbouring pixels beyond this are an outline; the ground and soft shadows change more slowly. */
const EDGE = 1;

const SUBJECT = 1;
const GROUND = 2;

/** Steps of half a ΔE*ab by which edges are flooded. */
const LEVELS = 64;
const LEVEL = 0.5;

type Flooding = {
  readonly labels: Uint8Array;
  readonly edges: Float32Array;
  readonly regions: readonly { readonly pixels: readonly number[] }[];
  /** The region of each pixel; −1 for those of none. */
  readonly regionOf: Int32Array;
  /** Pixels that have a label, by the level at which their neighbours are flooded. */
  readonly waiting: readonly number[][];
};

function setLabel({ labels, edges, waiting }: Flooding, i: number, label: number, level: number): void {
  if (labels[i] !== 0) return;
  labels[i] = label;
  waiting[Math.max(level, Math.min(LEVELS - 1, Math.floor(edges[i]! / LEVEL)))]!.push(i);
}

function reach(flooding: Flooding, i: number, label: number, level: number): void {
  if (flooding.labels[i] !== 0) return;
  const region = flooding.regionOf[i]!;
  if (region < 0) setLabel(flooding, i, label, level);
  else for (const k of flooding.regions[region]!.pixels) setLabel(flooding, k, label, level);
}

function floodFrom(flooding: Flooding, i: number, width: number, level: number): void {
  const { labels } = flooding;
  const x = i % width;
  const label = labels[i]!;
  if (x > 0) reach(flooding, i - 1, label, level);
  if (x < width - 1) reach(flooding, i + 1, label, level);
  if (i >= width) reach(flooding, i - width, label, level);
  if (i < labels.length - width) reach(flooding, i + width, label, level);
}

/**
 * Floods what is not labelled yet from what is, the flattest pixels first, so that labels meet
 * on the ridges between them (Vincent and Soille 1991, "Watersheds in digital spaces"); a
 * region is flooded as a whole.
 */
function flood(labels: Uint8Array, edges: Float32Array, regions: Flooding['regions'], { width }: Size): void {
  const regionOf = new Int32Array(labels.length).fill(-1);
  for (let k = 0; k < regions.length; k++) for (const i of regions[k]!.pixels) regionOf[i] = k;
  const waiting: number[][] = Array.from({ length: LEVELS }, () => []);
  const flooding: Flooding = { labels, edges, regions, regionOf, waiting };
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
  for (const i of seeds) floodFrom(flooding, i, width, 0);
  for (let level = 0; level < LEVELS; level++)
    for (let k = 0; k < waiting[level]!.length; k++) floodFrom(flooding, waiting[level]![k]!, width, level);
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

/** Share of a region's pixels that hold, how unlike the ground it is and how much lighter, on average. */
type Figures = { readonly votes: number; readonly unlike: number; readonly light: number };

function figuresOf(pixels: readonly number[], sure: Mask, { unshaded, lighter }: Tones): Figures {
  let [votes, unlike, light] = [0, 0, 0];
  for (const i of pixels) {
    if (sure[i] === 1 || lighter[i]! > LIGHTER) votes++;
    unlike += unshaded[i]!;
    light += lighter[i]!;
  }
  const n = pixels.length;
  return { votes: votes / n, unlike: unlike / n, light: light / n };
}

/** True where a region between outlines is no ground and no shadow. */
const isSubject = (size: number, { votes, unlike, light }: Figures) =>
  votes > ENOUGH || (size > LARGE && unlike > UNLIKE && light > DARKER);

/** Shadow is darker than its ground by at least this (L*) … */
const SHADED = -6;
/** … and hardly has a colour of its own (ΔE*ab), in any shade. */
const COLOURLESS = 1.2;
const PER_SHADE = 0.05;
/** It begins below this share of the subject's height, and ends below its foot. */
const SHOULDER = 0.2;
/** Regions of fewer pixels are a rim. */
const SMALL = 40;

/** True where a region is the shadow at the subject's foot; the dark side of a pot reaches up to its rim. */
function isCast({ pixels, box }: Part, { unlike, light }: Figures, [top, bottom]: readonly [number, number]): boolean {
  if (pixels.length < SMALL || light > SHADED || unlike > COLOURLESS - PER_SHADE * light) return false;
  return box[1] > top + SHOULDER * (bottom - top) && box[3] > bottom;
}

/** Top and bottom of a mask, without the outermost 2 % of its pixels: specks. */
function heightOf(mask: Mask, { width, height }: Size): readonly [top: number, bottom: number] {
  const rows = new Int32Array(height);
  let all = 0;
  for (let i = 0; i < mask.length; i++)
    if (mask[i] === 1) {
      rows[Math.floor(i / width)]!++;
      all++;
    }
  let [top, bottom, above] = [0, 0, 0];
  for (let y = 0; y < height; y++) {
    above += rows[y]!;
    if (above < 0.02 * all) top = y + 1;
    if (above <= 0.98 * all) bottom = y + 1;
  }
  return [top, bottom];
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
  const figures = regions.map(({ pixels }) => figuresOf(pixels, sure, tones));
  const known = sure.slice();
  for (let k = 0; k < regions.length; k++) {
    const { pixels } = regions[k]!;
    if (isSubject(pixels.length, figures[k]!)) for (const i of pixels) labels[i] = known[i] = SUBJECT;
  }
  const upright = heightOf(known, size);
  for (let k = 0; k < regions.length; k++) {
    const region = regions[k]!;
    if (labels[region.pixels[0]!] === 0 && isCast(region, figures[k]!, upright))
      for (const i of region.pixels) labels[i] = GROUND;
  }
  flood(labels, edges, regions, size);
  const inside = new Uint8Array(edges.length);
  for (let i = 0; i < labels.length; i++) if (labels[i] === SUBJECT) inside[i] = 1;
  return { inside: cleaned(inside, size), outside };
}
