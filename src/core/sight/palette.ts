/** The colours of a photo: of its subject, of what is around that, and of both. */
import type { Lab, Raster } from './lab';
import { sideOf } from './small-mask';
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

const apart = (p: Cell, q: Cell): number =>
  Math.hypot(p.l / p.n - q.l / q.n, p.a / p.n - q.a / q.n, p.u / p.n - q.u / q.n);

/** Pixels by their colour, coarsely; those that most have come first. */
function cellsOf(raster: Raster, { l, a, b }: Lab, wanted: (i: number) => boolean): Cell[] {
  const cells = new Map<number, Cell>();
  const { rgb } = raster;
  for (let i = 0, k = 0; i < l.length; i++, k += 3) {
    if (!wanted(i)) continue;
    const key = ((rgb[k]! >> (8 - BITS)) << (2 * BITS)) | ((rgb[k + 1]! >> (8 - BITS)) << BITS) | (rgb[k + 2]! >> (8 - BITS)); // prettier-ignore
    const cell = cells.get(key) ?? empty();
    cells.set(key, cell);
    cell.n++;
    cell.r += rgb[k]!;
    cell.g += rgb[k + 1]!;
    cell.b += rgb[k + 2]!;
    cell.l += l[i]!;
    cell.a += a[i]!;
    cell.u += b[i]!;
  }
  return [...cells.values()].sort((p, q) => q.n - p.n);
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
  return groups.sort((p, q) => q.n - p.n);
}

const hexOf = ({ n, r, g, b }: Cell): string =>
  '#' + [r, g, b].map((sum) => Math.round(sum / n).toString(16).padStart(2, '0')).join(''); // prettier-ignore

function tonesOf(raster: Raster, lab: Lab, wanted: (i: number) => boolean): Tones | null {
  const groups = groupsOf(cellsOf(raster, lab, wanted));
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

/** What is near the picture's edge. */
function rimOf({ width, height }: Raster): (i: number) => boolean {
  const rim = Math.max(1, Math.round(RIM * Math.min(width, height)));
  return (i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    return Math.min(x, y, width - 1 - x, height - 1 - y) < rim;
  };
}

/**
 * The main, the lightest, the darkest and the most vivid colour (CIELAB lightness and
 * chroma) of those that at least two in a hundred pixels have. Without a subject the whole
 * photo stands for it, and its rim for the ground.
 */
export function paletteOf(raster: Raster, lab: Lab, subject: Pick<FoundSubject, 'box' | 'mask'> | null): Palette {
  const side = subject && sideOf(subject.mask, subject.box, raster);
  const photo = tonesOf(raster, lab, () => true)!;
  return {
    photo,
    subject: (side && tonesOf(raster, lab, (i) => side(i) === 1)) ?? photo,
    ground: tonesOf(raster, lab, side ? (i) => side(i) === 0 : rimOf(raster)) ?? photo,
  };
}
