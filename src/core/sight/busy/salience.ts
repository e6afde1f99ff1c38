/**
 * What stands out on a busy ground: pieces of the picture that are hardly joined to its rim,
 * unlike the ground around them, in focus and near the middle (Zhu, Liang, Wei and Sun 2014,
 * "Saliency optimization from robust background detection"; weights of focus and middle are this finder's).
 */
import type { Lab } from '../lab';
import { solved } from '../solve';
import { superpixelsOf, VALUES, type Superpixels } from './superpixels';

const PIECES = 120;
/** Colours this far apart (ΔE*ab) along a way from piece to piece still join them. */
const JOINED = 7;
/** Width of what counts as near, as a share of the picture's longer side. */
const NEAR = 0.25;
/** How much less a piece at the corners stands out. */
const MIDDLE = 0.5;
/** Of being ground, in the balance of all pieces. */
const GROUND_WEIGHT = 5;
/** Neighbours of one colour (ΔE*ab, squared and doubled) have one salience; the others by this at least. */
const [ALIKE, SMOOTH] = [200, 0.1];

/** Pieces side by side, and all of those along the rim with each other. */
function neighboursOf({ labels, count }: Superpixels, { width, height }: Lab) {
  const neighbours = Array.from({ length: count }, () => new Set<number>());
  const rim = new Set<number>();
  const join = (one: number, other: number) => {
    if (one === other) return;
    neighbours[one]!.add(other);
    neighbours[other]!.add(one);
  };
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (x < width - 1) join(labels[i]!, labels[i + 1]!);
      if (y < height - 1) join(labels[i]!, labels[i + width]!);
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) rim.add(labels[i]!);
    }
  const touching = neighbours.map((set) => new Set(set));
  for (const one of rim) for (const other of rim) join(one, other);
  return { neighbours, touching, rim };
}

/** Differences of colour between any two pieces, row by row. */
function differencesOf({ means, count }: Superpixels): Float64Array {
  const apart = new Float64Array(count * count);
  for (let i = 0; i < count; i++)
    for (let j = 0; j < count; j++) {
      let sum = 0;
      for (let k = 0; k < 3; k++) sum += (means[i * VALUES + k]! - means[j * VALUES + k]!) ** 2;
      apart[i * count + j] = Math.sqrt(sum);
    }
  return apart;
}

/** The least sums of differences along ways from piece to piece (Floyd 1962, "Algorithm 97: Shortest path"). */
function waysBetween(count: number, neighbours: readonly ReadonlySet<number>[], apart: Float64Array): Float64Array {
  // What is no more than the usual unevenness between neighbours counts as none.
  const least = neighbours.map((set, i) => Math.min(...[...set].map((j) => apart[i * count + j]!)));
  const known = least.filter((v) => v < Infinity);
  const uneven = known.reduce((sum, v) => sum + v, 0) / Math.max(1, known.length);
  const ways = new Float64Array(count * count).fill(Infinity);
  neighbours.forEach((set, i) => {
    ways[i * count + i] = 0;
    for (const j of set) ways[i * count + j] = Math.max(0, apart[i * count + j]! - uneven);
  });
  for (let k = 0; k < count; k++)
    for (let i = 0; i < count; i++) {
      const first = ways[i * count + k]!;
      // Further than this no way joins anything.
      if (first > 4 * JOINED) continue;
      for (let j = 0, to = i * count, from = k * count; j < count; j++, to++, from++)
        if (first + ways[from]! < ways[to]!) ways[to] = first + ways[from]!;
    }
  return ways;
}

/** How surely each piece is ground, 0…1: how long its part of the rim is for its size. */
function groundsOf(count: number, rim: ReadonlySet<number>, ways: Float64Array): Float64Array {
  return Float64Array.from({ length: count }, (_, i) => {
    let [span, along] = [0, 0];
    for (let j = 0; j < count; j++) {
      const joined = Math.exp(-(ways[i * count + j]! ** 2) / (2 * JOINED ** 2));
      span += joined;
      if (rim.has(j)) along += joined;
    }
    return 1 - Math.exp(-(along * along) / Math.max(1, span) / 2);
  });
}

/**
 * 0…1 for every pixel.
 *
 * @param lab about 128 pixels on its longer side
 * @param focus of every pixel, 0…1
 */
export function salienceOf(lab: Lab, focus: Float32Array): Float32Array {
  const { width, height } = lab;
  const pieces = superpixelsOf(lab, PIECES);
  const { labels, count, means, pixels } = pieces;
  const { neighbours, touching, rim } = neighboursOf(pieces, lab);
  const apart = differencesOf(pieces);
  const grounds = groundsOf(count, rim, waysBetween(count, neighbours, apart));
  const sharp = new Float64Array(count);
  for (let i = 0; i < labels.length; i++) sharp[labels[i]!]! += focus[i]! / pixels[labels[i]!]!;
  const longer = Math.max(width, height);
  const stands = Float64Array.from({ length: count }, (_, i) => {
    let sum = 0;
    const [x, y] = [means[i * VALUES + 3]!, means[i * VALUES + 4]!];
    for (let j = 0; j < count; j++) {
      const away = ((x - means[j * VALUES + 3]!) ** 2 + (y - means[j * VALUES + 4]!) ** 2) / longer ** 2;
      sum += apart[i * count + j]! * Math.exp(-away / (2 * NEAR ** 2)) * grounds[j]!;
    }
    const [u, v] = [x / width - 0.5, y / height - 0.5];
    return sum * sharp[i]! * (1 - MIDDLE * Math.min(1, (4 * (u * u + v * v)) / 1.2));
  });
  const most = Math.max(...stands) || 1;
  // All pieces at once: least squares of being ground, standing out and being as one's neighbours are.
  const rows = Array.from({ length: count }, (_, i) => {
    const row = new Array<number>(count + 1).fill(0);
    const own = stands[i]! / most;
    row[i] = GROUND_WEIGHT * grounds[i]! + own + 1e-4;
    row[count] = own;
    for (const j of touching[i]!) {
      const weight = Math.exp(-(apart[i * count + j]! ** 2) / ALIKE) + SMOOTH;
      row[i]! += weight;
      row[j]! -= weight;
    }
    return row;
  });
  const values = solved(rows) ?? Array.from(stands, (v) => v / most);
  const used = values.filter((_, i) => pixels[i]! > 0);
  const [low, high] = [Math.min(...used), Math.max(...used)];
  return Float32Array.from(labels, (piece) => (values[piece]! - low) / (high - low || 1));
}
