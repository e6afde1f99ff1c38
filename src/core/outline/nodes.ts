/** Drawn outlines as points with curve handles, for drawing and reshaping. */
import { type Contour, type Cubic, cutAt, isStraight, type Point, pointAt, straight } from '../shape';

/** A point of a drawn outline; handles are offsets from it, null where that side leaves straight. */
export type Node = {
  readonly at: Point;
  readonly before: Point | null;
  readonly after: Point | null;
};
export type NodeContour = readonly Node[];

const minus = ([ax, ay]: Point, [bx, by]: Point): Point => [ax - bx, ay - by];
const plus = ([ax, ay]: Point, [bx, by]: Point): Point => [ax + bx, ay + by];
const lengthOf = ([x, y]: Point) => Math.hypot(x, y);
const none = (p: Point): Point | null => (lengthOf(p) < 1e-9 ? null : p);

/** The contour's points. */
export function nodesOf({ start, cubics }: Contour): NodeContour {
  const ends: Point[] = [start, ...cubics.map(([, , , , x, y]): Point => [x, y])];
  return cubics.map((cubic, i) => {
    const last = (i + cubics.length - 1) % cubics.length;
    const before = cubics[last]!;
    return {
      at: ends[i]!,
      before: isStraight(ends[last]!, before) ? null : none(minus([before[2], before[3]], ends[i]!)),
      after: isStraight(ends[i]!, cubic) ? null : none(minus([cubic[0], cubic[1]], ends[i]!)),
    };
  });
}

/** The side from one point to the next. */
export function sideBetween(from: Node, to: Node): Cubic {
  if (!from.after && !to.before) return straight(from.at, to.at);
  const [a, b] = [plus(from.at, from.after ?? [0, 0]), plus(to.at, to.before ?? [0, 0])];
  return [a[0], a[1], b[0], b[1], to.at[0], to.at[1]];
}

/** Points into a closed contour. */
export const contourOf = (nodes: NodeContour): Contour => ({
  start: nodes[0]!.at,
  cubics: nodes.map((node, i) => sideBetween(node, nodes[(i + 1) % nodes.length]!)),
});

/** Below this turn of its handles (radians) a point counts as smooth. */
const SMOOTH = 1e-3;

/** True where the outline runs through the point without a corner. */
export function isSmooth({ before, after }: Node): boolean {
  if (!before || !after) return false;
  const turn = Math.atan2(before[0] * after[1] - before[1] * after[0], before[0] * after[0] + before[1] * after[1]);
  return Math.abs(Math.abs(turn) - Math.PI) < SMOOTH;
}

const replaceAt = (nodes: NodeContour, i: number, node: Node): NodeContour => nodes.map((n, k) => (k === i ? node : n));

/** The point moved, its handles with it. */
export const moveNode = (nodes: NodeContour, i: number, at: Point): NodeContour =>
  replaceAt(nodes, i, { ...nodes[i]!, at });

/** One handle moved to a place in the frame; at a smooth point the other one swings round, keeping its length. */
export function moveHandle(nodes: NodeContour, i: number, which: 'before' | 'after', to: Point): NodeContour {
  const node = nodes[i]!;
  const other = which === 'before' ? 'after' : 'before';
  const moved = minus(to, node.at);
  const kept = node[other];
  const k = isSmooth(node) && kept && lengthOf(moved) > 1e-9 ? -lengthOf(kept) / lengthOf(moved) : null;
  const follows: Point | null = k === null ? kept : [moved[0] * k, moved[1] * k];
  return replaceAt(nodes, i, { ...node, [which]: none(moved), [other]: follows });
}

/** The point without handles: straight sides meet in a corner. */
export const makeCorner = (nodes: NodeContour, i: number): NodeContour =>
  replaceAt(nodes, i, { at: nodes[i]!.at, before: null, after: null });

/** The point with handles along the line between its neighbours, each a third of the way to its own. */
export function makeSmooth(nodes: NodeContour, i: number): NodeContour {
  const { at } = nodes[i]!;
  const [last, next] = [nodes[(i + nodes.length - 1) % nodes.length]!.at, nodes[(i + 1) % nodes.length]!.at];
  const along = minus(next, last);
  const length = lengthOf(along);
  if (length < 1e-9) return nodes;
  const scaled = (k: number): Point => [(along[0] / length) * k, (along[1] / length) * k];
  return replaceAt(nodes, i, {
    at,
    before: scaled(-lengthOf(minus(at, last)) / 3),
    after: scaled(lengthOf(minus(next, at)) / 3),
  });
}

/** Fewest points that enclose an area: two with curves, else three. */
export const canRemove = (nodes: NodeContour): boolean => nodes.length > 2;

export const removeNode = (nodes: NodeContour, i: number): NodeContour =>
  canRemove(nodes) ? nodes.filter((_, k) => k !== i) : nodes;

/** A new point on the side after point i, at t in 0…1; the outline stays as it is. */
export function insertNode(nodes: NodeContour, i: number, t: number): NodeContour {
  const [from, to] = [nodes[i]!, nodes[(i + 1) % nodes.length]!];
  const side = sideBetween(from, to);
  if (!from.after && !to.before) {
    const node: Node = { at: pointAt(from.at, side, t), before: null, after: null };
    return [...nodes.slice(0, i + 1), node, ...nodes.slice(i + 1)];
  }
  const [head, tail] = cutAt(from.at, side, t);
  const at: Point = [head[4], head[5]];
  const cut = nodes.map((node, k) => {
    if (k === i) return { ...node, after: none([head[0] - node.at[0], head[1] - node.at[1]]) };
    if (k === (i + 1) % nodes.length) return { ...node, before: none([tail[2] - node.at[0], tail[3] - node.at[1]]) };
    return node;
  });
  const node: Node = {
    at,
    before: none([head[2] - at[0], head[3] - at[1]]),
    after: none([tail[0] - at[0], tail[1] - at[1]]),
  };
  return [...cut.slice(0, i + 1), node, ...cut.slice(i + 1)];
}

/** Places tried on every side when the nearest point of an outline is looked for. */
const TRIES = 24;

/** The place on the outline nearest to a point: after which node, at which t, how far. */
export function nearestOnContour(nodes: NodeContour, [x, y]: Point): { i: number; t: number; distance: number } {
  let best = { i: 0, t: 0, distance: Infinity };
  nodes.forEach((from, i) => {
    const side = sideBetween(from, nodes[(i + 1) % nodes.length]!);
    for (let k = 1; k < TRIES; k++) {
      const t = k / TRIES;
      const [px, py] = pointAt(from.at, side, t);
      const distance = Math.hypot(px - x, py - y);
      if (distance < best.distance) best = { i, t, distance };
    }
  });
  return best;
}
