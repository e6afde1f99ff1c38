/** The ground of a photo: the colour along its rim, changing evenly from side to side, and from row to row where a sweep bends up. */
import type { Lab, Size } from './lab';
import { solved } from './solve';

/** Share of the shorter side that counts as rim. */
const RIM = 0.05;
/** Rim pixels further than this from the fit are not ground (ΔE*ab). */
const OUTLIER = 10;
const ROUNDS = 4;

/** Coefficients of 1, u, v, u², v²: light falls off towards a photo's corners. */
type Plane = readonly number[];

type Colour = readonly [l: Plane, a: Plane, b: Plane];

/** A value a row for L*, a* and b*. */
type Rows = readonly [Float32Array, Float32Array, Float32Array];

export type Ground = {
  /** L*, a*, b* as they change over the photo, at the middle and from side to side; the one that most of the rim has comes first. */
  readonly colours: readonly Colour[];
  /** Share of the rim that has the first colour, 0…1. */
  readonly plain: number;
  /** Share of the rim that has any of them. */
  readonly known: number;
  /** Spread of the rim's pixels around their colour (ΔE*ab). */
  readonly noise: number;
  /** L*, a*, b* by which each row differs from the first colour. */
  readonly rows: Rows;
};

const depthOf = ({ width, height }: Size) => Math.max(2, Math.round(RIM * Math.min(width, height)));

/** Pixels of the rim, thinned out: its colour changes slowly. */
function rimOf({ width, height }: Size): number[] {
  const depth = depthOf({ width, height });
  const rim: number[] = [];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (x >= depth && y >= depth && x < width - depth && y < height - depth) {
        x = width - depth - 1;
        continue;
      }
      if ((x + 2 * y) % 5 === 0) rim.push(y * width + x);
    }
  return rim;
}

const TERMS = 5;
/** Terms and the three values. */
const WIDE = TERMS + 3;

/** Least squares through the colours at pixels, by the normal equations: one matrix for all three planes. */
function planesThrough({ l, a, b, width, height }: Lab, pixels: readonly number[]): Colour {
  const sums = new Float64Array(TERMS * WIDE);
  const terms = new Float64Array(WIDE);
  terms[0] = 1;
  for (const i of pixels) {
    const u = (i % width) / width - 0.5;
    const v = Math.floor(i / width) / height - 0.5;
    terms[1] = u;
    terms[2] = v;
    terms[3] = u * u;
    terms[4] = v * v;
    terms[5] = l[i]!;
    terms[6] = a[i]!;
    terms[7] = b[i]!;
    // The matrix is symmetric: half of it is enough.
    for (let r = 0, k = 0; r < TERMS; r++, k += WIDE)
      for (let c = r; c < WIDE; c++) sums[k + c]! += terms[r]! * terms[c]!;
  }
  const planeOf = (value: number) => solved(equationsOf(sums, value)) ?? flat(sums[TERMS + value]! / Math.max(1, pixels.length)); // prettier-ignore
  return [planeOf(0), planeOf(1), planeOf(2)];
}

/** What has to be solved for one of the values, out of the sums of products, of which one half is known. */
function equationsOf(sums: Float64Array, value: number): number[][] {
  const rows: number[][] = [];
  for (let r = 0; r < TERMS; r++) {
    const row: number[] = [];
    for (let c = 0; c < TERMS; c++) row.push(sums[Math.min(r, c) * WIDE + Math.max(r, c)]!);
    rows.push([...row, sums[r * WIDE + TERMS + value]!]);
  }
  return rows;
}

const at = (p: Plane, u: number, v: number) => p[0]! + p[1]! * u + p[2]! * v + p[3]! * u * u + p[4]! * v * v;

/** The median of a plane at some pixels; typed arrays sort much faster, and are made much faster without a function. */
function medianOf(plane: Float32Array, pixels: readonly number[]): number {
  const values = new Float32Array(pixels.length);
  for (let k = 0; k < values.length; k++) values[k] = plane[pixels[k]!]!;
  return values.sort()[values.length >> 1] ?? 0;
}

const flat = (v: number): Plane => [v, 0, 0, 0, 0];
const steady = (l: number, a: number, b: number): Colour => [flat(l), flat(a), flat(b)];

/** One colour through most of these pixels of the rim, and which of them have it. */
function colourThrough(lab: Lab, pixels: readonly number[], whole: number) {
  const { l, a, b, width, height } = lab;
  // Begins at the median, so that a subject that leaves the photo does not pull it.
  const [ml, ma, mb] = [l, a, b].map((plane) => medianOf(plane, pixels)) as [number, number, number];
  let colour = steady(ml, ma, mb);
  let near: number[] = [];
  let spread = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const reach = OUTLIER * (round === 0 ? 2 : 1);
    const [pl, pa, pb] = colour;
    let sum = 0;
    near = [];
    for (const i of pixels) {
      const u = (i % width) / width - 0.5;
      const v = Math.floor(i / width) / height - 0.5;
      const dl = l[i]! - at(pl, u, v);
      const da = a[i]! - at(pa, u, v);
      const db = b[i]! - at(pb, u, v);
      // Math.hypot takes many times as long.
      const off = Math.sqrt(dl * dl + da * da + db * db);
      if (!(off < reach)) continue;
      sum += off;
      near.push(i);
    }
    if (near.length < whole / 20) break;
    spread = sum / near.length;
    // Where only a part of the rim has it, how it changes across the photo is not known.
    colour =
      near.length > whole / 2
        ? planesThrough(lab, near)
        : steady(...([l, a, b].map((values) => medianOf(values, near)) as [number, number, number]));
  }
  return { colour, near, spread };
}

/** Colours that a ground may be made of: a table, a wall, something on it. */
const MOST_COLOURS = 4;
/** A colour of less of the rim is no ground. */
const LEAST_SHARE = 0.08;

const level = (height: number): Rows => [new Float32Array(height), new Float32Array(height), new Float32Array(height)];

/** The mean difference from a colour along one side's rim, row by row; NaN where most of it is something else. */
function sideOf([pl, pa, pb]: Colour, { l, a, b, width, height }: Lab, from: number, to: number): Rows {
  const out = level(height);
  for (let y = 0; y < height; y++) {
    const v = y / height - 0.5;
    let [near, sl, sa, sb] = [0, 0, 0, 0];
    for (let x = from; x < to; x++) {
      const i = y * width + x;
      const u = x / width - 0.5;
      const dl = l[i]! - at(pl, u, v);
      const da = a[i]! - at(pa, u, v);
      const db = b[i]! - at(pb, u, v);
      if (dl * dl + da * da + db * db > OUTLIER * OUTLIER) continue;
      near++;
      sl += dl;
      sa += da;
      sb += db;
    }
    if (near <= (to - from) / 2) near = NaN;
    [out[0][y], out[1][y], out[2][y]] = [sl / near, sa / near, sb / near];
  }
  return out;
}

/** Left and right rims that differ by more than this (ΔE*ab) are not both ground. */
const ALIKE = 2;

/** ΔE*ab between the same rows of both sides. */
function apartIn(left: Rows, right: Rows, y: number): number {
  const dl = left[0][y]! - right[0][y]!;
  const da = left[1][y]! - right[1][y]!;
  const db = left[2][y]! - right[2][y]!;
  return Math.sqrt(dl * dl + da * da + db * db);
}

/** What the rows of both sides have in common: where they differ something stands there, or throws its shadow, and the rows around tell. */
function rowsOf(colour: Colour, lab: Lab): Rows {
  const { width, height } = lab;
  const depth = depthOf(lab);
  const left = sideOf(colour, lab, 0, depth);
  const right = sideOf(colour, lab, width - depth, width);
  const known: number[] = [];
  for (let y = 0; y < height; y++) if (apartIn(left, right, y) <= ALIKE) known.push(y);
  return left.map((values, k) => smoothed(between(known, (y) => (values[y]! + right[k]![y]!) / 2, height))) as unknown as Rows; // prettier-ignore
}

/** Values at some rows, drawn straight between them and level beyond; nothing where there are none. */
function between(known: readonly number[], valueAt: (y: number) => number, height: number): Float32Array {
  const out = new Float32Array(height);
  for (let k = 0; k <= known.length && known.length > 0; k++) {
    const [from, to] = [known[k - 1] ?? known[0]!, known[k] ?? known[known.length - 1]!];
    const [first, last] = [k === 0 ? 0 : from, k === known.length ? height - 1 : to];
    const [a, b] = [valueAt(from), valueAt(to)];
    for (let y = first; y <= last; y++) out[y] = to > from ? a + ((b - a) * (y - from)) / (to - from) : a;
  }
  return out;
}

/** Rows on either side that a row is averaged with. */
const AROUND = 4;

function smoothed(values: Float32Array): Float32Array {
  const out = new Float32Array(values.length);
  for (let y = 0; y < out.length; y++) {
    const [from, to] = [Math.max(0, y - AROUND), Math.min(values.length, y + AROUND + 1)];
    let sum = 0;
    for (let k = from; k < to; k++) sum += values[k]!;
    out[y] = sum / (to - from);
  }
  return out;
}

/** What is left of rising numbers without some of them. */
function without(all: readonly number[], some: readonly number[]): number[] {
  const rest: number[] = [];
  let k = 0;
  for (const i of all) {
    if (some[k] === i) k++;
    else rest.push(i);
  }
  return rest;
}

/** Fits the ground to the rim, leaving out what stands on it. */
export function groundOf(lab: Lab): Ground {
  const rim = rimOf(lab);
  let rest: readonly number[] = rim;
  const found: { readonly colour: Colour; readonly share: number; readonly spread: number }[] = [];
  while (found.length < MOST_COLOURS && rest.length > LEAST_SHARE * rim.length) {
    const { colour, near, spread } = colourThrough(lab, rest, rim.length);
    if (near.length < LEAST_SHARE * rim.length) break;
    found.push({ colour, share: near.length / rim.length, spread });
    rest = without(rest, near);
  }
  if (found.length === 0) {
    const { colour } = colourThrough(lab, rim, rim.length);
    return { colours: [colour], plain: 0, known: 0, noise: OUTLIER, rows: level(lab.height) };
  }
  found.sort((a, b) => b.share - a.share);
  return {
    colours: found.map(({ colour }) => colour),
    plain: found[0]!.share,
    known: found.reduce((sum, { share }) => sum + share, 0),
    noise: found[0]!.spread,
    rows: rowsOf(found[0]!.colour, lab),
  };
}

/** Darkening up to this (L*) is mostly shadow, which keeps its ground's colour and is no subject. */
const SHADOW = 30;
const SHADOW_WEIGHT = 0.05;

/** How much a difference in lightness counts. */
function lightness(dl: number): number {
  if (dl >= 0) return dl;
  return dl > -SHADOW ? dl * SHADOW_WEIGHT : -SHADOW * SHADOW_WEIGHT + (dl + SHADOW) * 1.3;
}

export type Distances = {
  /** Darkening weighs little up to a deep shadow, much beyond. */
  readonly seen: Float32Array;
  /** Any darkening, however deep, may be shadow. */
  readonly unshaded: Float32Array;
  /** How much lighter than the ground's first colour, L*. */
  readonly lighter: Float32Array;
};

/** Light thrown back by the subject tints its shadow: so much ΔE*ab for every step of L* that it is darker. */
const CAST = 0.1;

/** L*, a*, b* of the ground in each pixel of a row. */
type GroundRow = readonly [l: Float64Array, a: Float64Array, b: Float64Array];

function rowOf(colour: Colour, rows: Rows, y: number, { width, height }: Lab): GroundRow {
  const v = y / height - 0.5;
  return [along(colour[0], v, rows[0][y]!, width), along(colour[1], v, rows[1][y]!, width), along(colour[2], v, rows[2][y]!, width)]; // prettier-ignore
}

function along(plane: Plane, v: number, more: number, width: number): Float64Array {
  const out = new Float64Array(width);
  for (let x = 0; x < width; x++) out[x] = at(plane, x / width - 0.5, v) + more;
  return out;
}

/** Takes into the distances of a row's pixels how far they are from one colour of the ground. */
function compareRow(
  to: Distances,
  { l, a, b, width }: Lab,
  y: number,
  [gl, ga, gb]: GroundRow,
  isFirst: boolean,
): void {
  const { seen, unshaded, lighter } = to;
  for (let x = 0, i = y * width; x < width; x++, i++) {
    const ground = gl[x]!;
    const dl = l[i]! - ground;
    const dim = dl < 0 ? (l[i]! + 16) / (ground + 16) : 1;
    const da = a[i]! - dim * ga[x]!;
    const db = b[i]! - dim * gb[x]!;
    const chroma = da * da + db * db;
    const light = lightness(dl);
    const distance = Math.sqrt(light * light + chroma);
    if (distance < seen[i]!) seen[i] = distance;
    const own = dl < 0 ? Math.max(0, Math.sqrt(chroma) + CAST * dl) : Math.sqrt(chroma);
    const lit = dl < 0 ? dl * SHADOW_WEIGHT : dl;
    const other = Math.sqrt(lit * lit + own * own);
    if (other < unshaded[i]!) unshaded[i] = other;
    if (isFirst) lighter[i] = dl;
  }
}

/**
 * Distances of every pixel from the nearest of the ground's colours, ΔE*ab. A shadow is the
 * ground in less light: CIELAB's cube roots make L* + 16, a* and b* all shrink by one
 * factor, so a pixel is compared with the ground as dark as itself, and darkening on its
 * own weighs less.
 */
export function distancesFrom({ colours, rows }: Ground, lab: Lab): Distances {
  const { l, height } = lab;
  const seen = new Float32Array(l.length).fill(Infinity);
  const unshaded = new Float32Array(l.length).fill(Infinity);
  const lighter = new Float32Array(l.length);
  const distances = { seen, unshaded, lighter };
  const none = level(height);
  for (let k = 0; k < colours.length; k++)
    for (let y = 0; y < height; y++)
      compareRow(distances, lab, y, rowOf(colours[k]!, k === 0 ? rows : none, y, lab), k === 0);
  return distances;
}

/** The ground's colour in the middle of the photo as L*, a*, b*. */
export const groundColour = ({ colours, rows }: Ground): readonly [number, number, number] =>
  colours[0]!.map(([constant], k) => constant! + rows[k]![rows[k]!.length >> 1]!) as unknown as [
    number,
    number,
    number,
  ];
