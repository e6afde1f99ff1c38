/** Clipped polygons back into the curves that their chords stand for. */
import type { Path64, Point64 } from 'clipper2-ts';
import { derivativeAt, partOf, pointAt } from '../cubic';
import { snap, straight, type Contour, type Cubic, type Point } from '../path';
import { placeKey, type Chords } from './chords';

/** Where two chords cross, by their numbers. */
export type Crossing = readonly [a: number, b: number];

/** A corner of the result: its place, and where it lies on every curve that it is known to lie on. */
type Corner = { readonly at: Point; readonly on: ReadonlyMap<number, number> };

/** A stretch of a curve, or a straight side where `cubic` is −1. */
type Stretch = { readonly cubic: number; readonly from: number; to: number; start: Point; end: Point };

const NEWTON_STEPS = 8;

/** Where the curves of two chords cross near where the chords do: Newton's method in both parameters. Null where it leads elsewhere. */
function crossingOf(chords: Chords, [a, b]: Crossing, near: Point): Corner | null {
  const [ca, cb] = [chords.cubicOf[a]!, chords.cubicOf[b]!];
  const [startA, cubicA, startB, cubicB] = [
    chords.starts[ca]!,
    chords.cubics[ca]!,
    chords.starts[cb]!,
    chords.cubics[cb]!,
  ];
  let t = shareAlong(chords, a, near);
  let s = shareAlong(chords, b, near);
  const [t0, s0] = [t, s];
  for (let i = 0; i < NEWTON_STEPS; i++) {
    const [ax, ay] = pointAt(startA, cubicA, t);
    const [bx, by] = pointAt(startB, cubicB, s);
    const [dx, dy] = [bx - ax, by - ay];
    const [ux, uy] = derivativeAt(startA, cubicA, t);
    const [vx, vy] = derivativeAt(startB, cubicB, s);
    const det = vx * uy - ux * vy;
    if (Math.abs(det) < 1e-9 * (Math.hypot(ux, uy) * Math.hypot(vx, vy) + 1e-30)) return null;
    t += (vx * dy - vy * dx) / -det;
    s += (ux * dy - uy * dx) / -det;
    if (Math.abs(dx) + Math.abs(dy) < 1e-9) break;
  }
  const [at, other] = [pointAt(startA, cubicA, t), pointAt(startB, cubicB, s)];
  const width = (i: number) => chords.to[i]! - chords.from[i]!;
  const strayed = Math.abs(t - t0) > 2 * width(a) + 1e-9 || Math.abs(s - s0) > 2 * width(b) + 1e-9;
  const apart = Math.hypot(at[0] - other[0], at[1] - other[1]) > 1e-4 * chords.tolerance + 1e-7;
  if (strayed || apart || t < 0 || t > 1 || s < 0 || s > 1) return null;
  return { at, on: new Map([[ca, t], [cb, s]]) }; // prettier-ignore
}

/** The parameter on a chord's curve at the place of the chord nearest to a point. */
function shareAlong({ cubicOf, starts, cubics, from, to }: Chords, chord: number, [x, y]: Point): number {
  const c = cubicOf[chord]!;
  const [ax, ay] = pointAt(starts[c]!, cubics[c]!, from[chord]!);
  const [bx, by] = pointAt(starts[c]!, cubics[c]!, to[chord]!);
  const [dx, dy] = [bx - ax, by - ay];
  const share = ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1);
  return from[chord]! + (to[chord]! - from[chord]!) * Math.min(1, Math.max(0, share));
}

function cornerOf(chords: Chords, { x, y, z = 0 }: Point64, crossings: readonly Crossing[]): Corner {
  const { scale, origin } = chords;
  const near: Point = [x / scale + origin[0], y / scale + origin[1]];
  const vertices = chords.at.get(placeKey(x, y));
  if (vertices) {
    const on = new Map<number, number>();
    for (const id of vertices) {
      on.set(chords.cubicOf[id]!, chords.from[id]!);
      const before = chords.last[id]!;
      // A curve that closes on itself begins and ends here: its beginning goes before.
      if (!on.has(chords.cubicOf[before]!)) on.set(chords.cubicOf[before]!, chords.to[before]!);
    }
    const id = vertices[0]!;
    const c = chords.cubicOf[id]!;
    return {
      at: chords.from[id] === 0 ? chords.starts[c]! : pointAt(chords.starts[c]!, chords.cubics[c]!, chords.from[id]!),
      on,
    };
  }
  const crossing = z < 0 ? crossings[-z - 1]! : null;
  if (!crossing) return { at: near, on: new Map() };
  const exact = crossingOf(chords, crossing, near);
  if (exact) return exact;
  return { at: near, on: new Map(crossing.map((chord) => [chords.cubicOf[chord]!, shareAlong(chords, chord, near)])) };
}

/** Parameters of a curve that differ by less are the same. */
const SLACK = 1e-9;

/** The stretch between two corners along the curve that both lie on: the one that goes on from before, else the shortest. */
function stretchBetween(chords: Chords, a: Corner, b: Corner, before: Stretch | undefined): Stretch {
  let best: Stretch | null = null;
  for (const [cubic, start] of a.on) {
    let end = b.on.get(cubic);
    if (end === undefined) continue;
    let from = start;
    // A curve that is a whole contour: its first point is its last as well.
    if (closed(chords, cubic)) [from, end] = shortWay(from, end);
    const chordShare = 1.5 / Math.max(1, countOf(chords, cubic));
    if (Math.abs(end - from) > chordShare + SLACK || end === from) continue;
    const goesOn = before?.cubic === cubic && Math.abs(before.to - from) < SLACK;
    if (goesOn || best === null || Math.abs(end - from) < Math.abs(best.to - best.from))
      best = { cubic, from, to: end, start: a.at, end: b.at };
    if (goesOn) break;
  }
  return best ?? { cubic: -1, from: 0, to: 1, start: a.at, end: b.at };
}

const closed = ({ starts, cubics }: Chords, c: number) =>
  starts[c]![0] === cubics[c]![4] && starts[c]![1] === cubics[c]![5];

function shortWay(from: number, to: number): [number, number] {
  if (to - from > 0.5 && from === 0) return [1, to];
  if (from - to > 0.5 && to === 0) return [from, 1];
  return [from, to];
}

const counts = new WeakMap<Chords, Map<number, number>>();

/** Chords of a curve. */
function countOf(chords: Chords, cubic: number): number {
  let known = counts.get(chords);
  if (!known) {
    known = new Map();
    for (const c of chords.cubicOf) known.set(c, (known.get(c) ?? 0) + 1);
    counts.set(chords, known);
  }
  return known.get(cubic)!;
}

/** One after the other on the same curve, in the same direction. */
const goesOn = (a: Stretch, b: Stretch) =>
  a.cubic === b.cubic && a.cubic >= 0 && Math.abs(a.to - b.from) < SLACK && a.to > a.from === b.to > b.from;

function joined(stretches: readonly Stretch[]): Stretch[] {
  const list: Stretch[] = [];
  for (const stretch of stretches) {
    const before = list[list.length - 1];
    if (before && goesOn(before, stretch)) [before.to, before.end] = [stretch.to, stretch.end];
    else list.push({ ...stretch });
  }
  const [first, last] = [list[0]!, list[list.length - 1]!];
  if (list.length > 1 && goesOn(last, first)) {
    list[0] = { ...last, to: first.to, end: first.end };
    list.pop();
  }
  return list;
}

function cubicOf({ starts, cubics }: Chords, { cubic, from, to, start, end }: Stretch): Cubic {
  if (cubic < 0) return straight(start, end);
  const backwards = from > to;
  const [a, b] = backwards ? [to, from] : [from, to];
  const part = partOf(starts[cubic]!, cubics[cubic]!, a, b);
  const [x1, y1, x2, y2] = part.cubic;
  const [c1, c2]: Point[] = backwards ? [[x2, y2], [x1, y1]] : [[x1, y1], [x2, y2]]; // prettier-ignore
  return [c1![0], c1![1], c2![0], c2![1], end[0], end[1]];
}

/** A clipped polygon as a contour of curves, rounded to 1/4096. */
export function curvesOf(chords: Chords, path: Path64, crossings: readonly Crossing[]): Contour {
  const corners = path.map((point) => cornerOf(chords, point, crossings));
  const stretches: Stretch[] = [];
  corners.forEach((corner, i) =>
    stretches.push(stretchBetween(chords, corner, corners[(i + 1) % corners.length]!, stretches[stretches.length - 1])),
  );
  const list = joined(stretches);
  const cubics = list.map((stretch) => cubicOf(chords, stretch).map(snap) as unknown as Cubic);
  const last = cubics[cubics.length - 1]!;
  return { start: [last[4], last[5]], cubics };
}
