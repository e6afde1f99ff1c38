/** The colours of a photo: of its subject, of what is around that, and of both. */
import type { Lab, Raster } from './lab';
import { SIDES, sidesOf } from './small-mask';
import type { FoundSubject, Palette, Tones } from './sight';

/** Colours nearer than this to the one that most pixels have count as that one (ΔE*ab; some five times what is just noticed). */
const ALIKE = 12;
/** Colours that fewer of the pixels have are not the lightest, darkest or most vivid. */
const LEAST = 0.02;
/** Colours that are told apart at most. */
const MOST = 12;
/** Bits a channel of the cells that pixels are counted in. */
const BITS = 4;
/** How wide the rim is that stands for the ground where no subject was found, as a share of the shorter side. */
const RIM = 0.08;

/** A colour that many pixels have: how many, and their sums. */
type Cell = { n: number; r: number; g: number; b: number; l: number; a: number; u: number };

const empty = (): Cell => ({ n: 0, r: 0, g: 0, b: 0, l: 0, a: 0, u: 0 });

function join(into: Cell, cell: Cell): void {
  for (const key of ['n', 'r', 'g', 'b', 'l', 'a', 'u'] as const) into[key] += cell[key];
}

const byCount = (p: Cell, q: Cell) => q.n - p.n;

const apart = (p: Cell, q: Cell): number =>
  Math.hypot(p.l / p.n - q.l / q.n, p.a / p.n - q.a / q.n, p.u / p.n - q.u / q.n);

/** Numbers of a cell, one after the other. */
const NUMBERS = 7;

/** Pixels by their colour, coarsely; those that most have come first. */
function cellsOf({ rgb }: Raster, { l, a, b }: Lab, parts: Uint8Array, wanted: number): Cell[] {
  const numbers = new Float64Array(NUMBERS << (3 * BITS));
  const cells: number[] = [];
  for (let i = 0, k = 0; i < parts.length; i++, k += 3) {
    if (parts[i] !== wanted) continue;
    const red = rgb[k]!;
    const green = rgb[k + 1]!;
    const blue = rgb[k + 2]!;
    const at = NUMBERS * (((red >> (8 - BITS)) << (2 * BITS)) | ((green >> (8 - BITS)) << BITS) | (blue >> (8 - BITS)));
    if (numbers[at] === 0) cells.push(at);
    numbers[at]!++;
    numbers[at + 1]! += red;
    numbers[at + 2]! += green;
    numbers[at + 3]! += blue;
    numbers[at + 4]! += l[i]!;
    numbers[at + 5]! += a[i]!;
    numbers[at + 6]! += b[i]!;
  }
  return cells
    .map((at): Cell => {
      const of = (number: number) => numbers[at + number]!;
      return { n: of(0), r: of(1), g: of(2), b: of(3), l: of(4), a: of(5), u: of(6) };
    })
    .sort(byCount);
}

/** Cells that look alike joined, from the one with most pixels on. */
function groupsOf(cells: readonly Cell[]): Cell[] {
  const groups: Cell[] = [];
  let left = cells;
  while (left.length > 0 && groups.length < MOST) {
    const [first] = left;
    const group = empty();
    for (const cell of left) if (apart(first!, cell) < ALIKE) join(group, cell);
    left = left.filter((cell) => apart(first!, cell) >= ALIKE);
    groups.push(group);
  }
  return groups.sort(byCount);
}

const hexOf = ({ n, r, g, b }: Cell): string =>
  '#' + [r, g, b].map((sum) => Math.round(sum / n).toString(16).padStart(2, '0')).join(''); // prettier-ignore

/** Of the pixels that are such a part of the picture. */
function tonesOf(raster: Raster, lab: Lab, parts: Uint8Array, wanted: number): Tones | null {
  const groups = groupsOf(cellsOf(raster, lab, parts, wanted));
  if (groups.length === 0) return null;
  const all = groups.reduce((sum, { n }) => sum + n, 0);
  const seen = groups.filter(({ n }) => n >= LEAST * all);
  const most = (value: (cell: Cell) => number) =>
    hexOf(seen.reduce((best, cell) => (value(cell) > value(best) ? cell : best)));
  return {
    main: hexOf(groups[0]!),
    light: most(({ l, n }) => l / n),
    dark: most(({ l, n }) => -l / n),
    vivid: most(({ a, u, n }) => Math.hypot(a, u) / n),
  };
}

/** What is near the picture's edge stands for the ground, the rest is neither. */
function rimOf({ width, height }: Raster): Uint8Array {
  const rim = Math.max(1, Math.round(RIM * Math.min(width, height)));
  const parts = new Uint8Array(width * height).fill(SIDES.ground);
  for (let y = rim; y < height - rim; y++)
    parts.fill(SIDES.between, y * width + rim, Math.max(y * width + rim, (y + 1) * width - rim));
  return parts;
}

/**
 * The main, the lightest, the darkest and the most vivid colour (CIELAB lightness and
 * chroma) of those that at least two in a hundred pixels have. Without a subject the whole
 * photo stands for it, and its rim for the ground.
 */
export function paletteOf(raster: Raster, lab: Lab, subject: Pick<FoundSubject, 'box' | 'mask'> | null): Palette {
  const photo = tonesOf(raster, lab, new Uint8Array(raster.width * raster.height), 0)!;
  const parts = subject ? sidesOf(subject.mask, subject.box, raster) : rimOf(raster);
  return {
    photo,
    subject: (subject && tonesOf(raster, lab, parts, SIDES.subject)) ?? photo,
    ground: tonesOf(raster, lab, parts, SIDES.ground) ?? photo,
  };
}
