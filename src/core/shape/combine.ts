/** Shapes made of others: booleans that keep curves as curves (Paper.js). */
import paper from 'paper/dist/paper-core.js';
import { snap, type Contour, type Cubic, type Outline, type Point } from './path';

export type FillRule = 'nonzero' | 'evenodd';
export type PartOp = 'add' | 'cut' | 'overlap';

let ready = false;

/** Paper wants a canvas' size before anything else; nothing is ever drawn on it. */
function prepare(): void {
  if (ready) return;
  paper.setup(new paper.Size(1, 1));
  ready = true;
}

function toPath({ start, cubics }: Contour): paper.Path {
  const ends: Point[] = [start, ...cubics.map((c): Point => [c[4], c[5]])];
  const segments = cubics.map(([c1x, c1y], i) => {
    const [x, y] = ends[i]!;
    const before = cubics[(i + cubics.length - 1) % cubics.length]!;
    return new paper.Segment(
      new paper.Point(x, y),
      new paper.Point(before[2] - x, before[3] - y),
      new paper.Point(c1x - x, c1y - y),
    );
  });
  return new paper.Path({ segments, closed: true, insert: false });
}

function toItem(contours: readonly Contour[], fillRule: FillRule): paper.PathItem {
  const paths = contours.map(toPath);
  if (paths.length === 1) {
    paths[0]!.fillRule = fillRule;
    return paths[0]!;
  }
  return new paper.CompoundPath({ children: paths, fillRule, insert: false });
}

function fromPath(path: paper.Path): Contour | null {
  const { curves } = path;
  if (curves.length === 0) return null;
  const cubics = curves.map(({ handle1, handle2, point1, point2 }): Cubic => [
    snap(point1.x + handle1.x),
    snap(point1.y + handle1.y),
    snap(point2.x + handle2.x),
    snap(point2.y + handle2.y),
    snap(point2.x),
    snap(point2.y),
  ]);
  const last = cubics[cubics.length - 1]!;
  return { start: [last[4], last[5]], cubics };
}

/** Less area than this is dust from the arithmetic. */
const DUST = 1e-6;

function fromItem(item: paper.PathItem): Outline {
  const paths = item instanceof paper.CompoundPath ? (item.children as paper.Path[]) : [item as paper.Path];
  return paths
    .filter((path) => Math.abs(path.area) > DUST)
    .map(fromPath)
    .filter((contour) => contour !== null);
}

/** Contours that may overlap, as filled by the rule, without overlaps: holes turn the other way. */
export function resolve(contours: readonly Contour[], fillRule: FillRule): Outline {
  prepare();
  if (contours.length === 0) return [];
  const item = toItem(contours, fillRule);
  const united = item.unite(null as unknown as paper.PathItem, { insert: false });
  return fromItem(united.reorient(false, true));
}

/** All that any of the outlines covers. One union of all at once: pair by pair would be far slower. */
export function unite(outlines: readonly Outline[]): Outline {
  return resolve(outlines.flat(), 'nonzero');
}

function both(a: Outline, b: Outline, op: 'subtract' | 'intersect'): Outline {
  if (a.length === 0) return [];
  if (b.length === 0) return op === 'subtract' ? a : [];
  prepare();
  const result = toItem(a, 'nonzero')[op](toItem(b, 'nonzero'), { insert: false });
  return fromItem(result.reorient(false, true));
}

/** What the first covers and the second does not. */
export const subtract = (a: Outline, b: Outline): Outline => both(a, b, 'subtract');

/** What both cover. */
export const intersect = (a: Outline, b: Outline): Outline => both(a, b, 'intersect');

/**
 * Parts worked off in their order: each is added to what is there, cut out of it, or
 * keeps only where both lie. Parts of the same kind in a row go in one step.
 */
export function combine(parts: readonly { readonly op: PartOp; readonly outline: Outline }[]): Outline {
  let result: Outline = [];
  for (let i = 0; i < parts.length;) {
    const { op } = parts[i]!;
    let end = i + 1;
    while (op !== 'overlap' && end < parts.length && parts[end]!.op === op) end++;
    const group = parts.slice(i, end).map((part) => part.outline);
    if (op === 'add') result = unite([result, ...group]);
    else if (op === 'cut') result = subtract(result, unite(group));
    else result = intersect(result, group[0]!);
    i = end;
  }
  return result;
}
