/** Corners of outlines rounded by a radius; the outline itself stays as it was, so the rounding can be taken off again. */
import { atLength, endDirection, lengthTo, partOf, pointAt, startDirection, derivativeAt } from './cubic';
import { crossesItself } from './crossing';
import { arcCubics, snap, type Contour, type Cubic, type Outline, type Point } from './path';

/** Turns of less than this are no corners (radians). */
const SMOOTH = Math.PI / 180;

/** A stretch of cubics from one corner to the next. */
type Side = {
  readonly start: Point;
  readonly cubics: readonly Cubic[];
  readonly lengths: readonly number[];
  readonly length: number;
};

type Corner = { readonly vertex: number; readonly turn: number };

const turnBetween = ([ax, ay]: Point, [bx, by]: Point) => Math.atan2(ax * by - ay * bx, ax * bx + ay * by);

/** Where each cubic of a contour begins. */
const startsOf = ({ start, cubics }: Contour): Point[] => [
  start,
  ...cubics.slice(0, -1).map((c): Point => [c[4], c[5]]),
];

function cornersOf({ cubics }: Contour, starts: readonly Point[]): Corner[] {
  return cubics.flatMap((cubic, vertex) => {
    const before = (vertex + cubics.length - 1) % cubics.length;
    const turn = turnBetween(endDirection(starts[before]!, cubics[before]!), startDirection(starts[vertex]!, cubic));
    return Math.abs(turn) > SMOOTH ? [{ vertex, turn }] : [];
  });
}

function sideFrom(contour: Contour, starts: readonly Point[], from: number, to: number): Side {
  const n = contour.cubics.length;
  const count = (to - from + n) % n || n;
  const places = Array.from({ length: count }, (_, i) => (from + i) % n);
  const lengths = places.map((i) => lengthTo(starts[i]!, contour.cubics[i]!, 1, 2));
  return {
    start: starts[from]!,
    cubics: places.map((i) => contour.cubics[i]!),
    lengths,
    length: lengths.reduce((sum, l) => sum + l, 0),
  };
}

/** Which cubic of a side lies `at` along it, where it begins, and the t on it. */
function placeOn({ start, cubics, lengths }: Side, at: number) {
  let from = start;
  let rest = at;
  for (let i = 0; i < cubics.length; i++) {
    if (rest <= lengths[i]! || i === cubics.length - 1)
      return { i, from, t: atLength(from, cubics[i]!, rest, lengths[i]!) };
    rest -= lengths[i]!;
    from = [cubics[i]![4], cubics[i]![5]];
  }
  throw new RangeError('a side without cubics');
}

/** Point and direction `at` along a side. */
function stateOn(side: Side, at: number): { readonly point: Point; readonly direction: Point } {
  const { i, from, t } = placeOn(side, at);
  const cubic = side.cubics[i]!;
  const [dx, dy] = derivativeAt(from, cubic, t);
  const speed = Math.hypot(dx, dy);
  if (speed < 1e-9)
    return {
      point: pointAt(from, cubic, t),
      direction: t < 0.5 ? startDirection(from, cubic) : endDirection(from, cubic),
    };
  return { point: pointAt(from, cubic, t), direction: [dx / speed, dy / speed] };
}

/** Turns of less than this are none (radians): coordinates are kept to so many places only. */
const NO_TURN = 1e-4;

/** Whether a side leads one way all along. */
function isStraight({ start, cubics }: Side): boolean {
  const [cubic] = cubics;
  if (cubics.length > 1 || !cubic) return false;
  const [from, to] = [startDirection(start, cubic), endDirection(start, cubic)];
  const across: Point = [cubic[4] - start[0], cubic[5] - start[1]];
  return Math.abs(turnBetween(from, across)) < NO_TURN && Math.abs(turnBetween(across, to)) < NO_TURN;
}

/** Between two distances, at the first of which something holds and at the other it does not: the last at which it holds. */
function lastOf(from: number, to: number, holds: (at: number) => boolean): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Curved sides are looked at in so many steps, nearer to each other beside the corner. */
const STEPS = 32;

/**
 * How far from a corner its rounding begins, at most `room`: there a circle of the radius
 * spans the chord between both sides while it turns from the one direction to the other,
 * |AB| = 2r·sin(turn/2). For straight sides that is r·tan(turn/2). Where curved sides lead
 * opposite ways the rounding is a half circle, and further on there is none: a drop's tip
 * becomes at most the circle of its head. Nor does it rise above the corner itself.
 */
function trimFor(before: Side, after: Side, radius: number, room: number): number {
  const vertex = after.start;
  const at = (trim: number) => {
    const [a, b] = [stateOn(before, before.length - trim), stateOn(after, trim)];
    const turn = turnBetween(a.direction, b.direction);
    const chord = Math.hypot(b.point[0] - a.point[0], b.point[1] - a.point[1]);
    const high = Math.hypot((a.point[0] + b.point[0]) / 2 - vertex[0], (a.point[1] + b.point[1]) / 2 - vertex[1]);
    return {
      turn,
      isWide: chord >= 2 * radius * Math.abs(Math.sin(turn / 2)),
      // The rounding's arc rises no further than the corner.
      isIn: (chord / 2) * Math.tan(Math.abs(turn) / 4) <= high,
    };
  };
  const corner = Math.abs(at(0).turn);
  const guess = Math.min(radius * Math.tan(corner / 2), room);
  if (isStraight(before) && isStraight(after)) return guess;
  // At a cusp, which turns right round, either sign may come out.
  let last = { trim: 0, turn: corner > Math.PI - SMOOTH ? null : at(0).turn };
  while (last.trim < room) {
    const trim = Math.min(last.trim === 0 ? guess : last.trim * 1.5, last.trim + room / STEPS, room);
    // A sign that changes: turned round, or the sides lead the same way, where any circle is too small.
    const isSame = (turn: number) => last.turn === null || turn * last.turn >= 0;
    const isTurned = Math.abs(at(trim).turn - (last.turn ?? at(trim).turn)) > Math.PI;
    const fits = (one: number) => isSame(at(one).turn) && at(one).isIn;
    const end = fits(trim) ? trim : lastOf(last.trim, trim, fits);
    if (at(end).isWide) return lastOf(last.trim, end, (one) => !at(one).isWide);
    if (isTurned || !at(trim).isIn) return end;
    last = { trim, turn: at(trim).turn };
  }
  return room;
}

/** The part of a side between two distances along it. */
function partOfSide(side: Side, from: number, to: number): { readonly start: Point; readonly cubics: Cubic[] } {
  const a = placeOn(side, from);
  const b = placeOn(side, to);
  const cubics: Cubic[] = [];
  let begin: Point = side.start;
  let start: Point | null = null;
  side.cubics.forEach((cubic, i) => {
    if (i >= a.i && i <= b.i) {
      const part = partOf(begin, cubic, i === a.i ? a.t : 0, i === b.i ? b.t : 1);
      start ??= part.start;
      cubics.push(part.cubic);
    }
    begin = [cubic[4], cubic[5]];
  });
  return { start: start ?? side.start, cubics };
}

/** From A to B, leaving and arriving in the given directions: a circle's arc wherever both lie evenly, else a curve that turns as far. */
function roundingBetween(a: Point, da: Point, b: Point, db: Point): Cubic[] {
  const turn = turnBetween(da, db);
  const chord = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const radius = chord / (2 * Math.abs(Math.sin(turn / 2)));
  const even = Math.abs(turnBetween(da, [b[0] - a[0], b[1] - a[1]]) - turn / 2) < 1e-4;
  if (even && Number.isFinite(radius)) {
    // The centre lies to the side that the path turns to.
    const side = Math.sign(turn);
    const [cx, cy] = [a[0] - side * da[1] * radius, a[1] + side * da[0] * radius];
    return arcCubics(cx, cy, radius, radius, Math.atan2(a[1] - cy, a[0] - cx), turn);
  }
  const k = (4 / 3) * Math.tan(Math.abs(turn) / 4) * radius;
  return [[snap(a[0] + k * da[0]), snap(a[1] + k * da[1]), snap(b[0] - k * db[0]), snap(b[1] - k * db[1]), b[0], b[1]]];
}

/** A contour cut into its sides; sides[i] leads from corner i to the next one. */
type Cut = { readonly corners: readonly Corner[]; readonly sides: readonly Side[] };

function cutAtCorners(contour: Contour): Cut {
  const starts = startsOf(contour);
  const corners = cornersOf(contour, starts);
  const n = corners.length;
  return {
    corners,
    sides: corners.map(({ vertex }, i) => sideFrom(contour, starts, vertex, corners[(i + 1) % n]!.vertex)),
  };
}

/** How much of the sides at every corner its rounding takes; two corners share a side in proportion to what they want. */
function trimsFor({ corners, sides }: Cut, radiusAt: (vertex: number) => number): number[] {
  const n = corners.length;
  const wanted = corners.map(({ vertex }, i) => {
    const [before, after] = [sides[(i + n - 1) % n]!, sides[i]!];
    if (radiusAt(vertex) <= 0) return 0;
    return trimFor(before, after, radiusAt(vertex), Math.min(before.length, after.length));
  });
  const shareOf = (side: Side, mine: number, other: number) =>
    mine + other > side.length ? (side.length * mine) / (mine + other) : mine;
  return wanted.map((mine, i) => {
    const last = (i + n - 1) % n;
    return Math.min(shareOf(sides[i]!, mine, wanted[(i + 1) % n]!), shareOf(sides[last]!, mine, wanted[last]!));
  });
}

/** The sides shortened by the trims, with a rounding between every two. */
function joined({ sides }: Cut, trims: readonly number[]): Contour {
  const n = sides.length;
  let start: Point | null = null;
  const cubics: Cubic[] = [];
  for (let i = 0; i < n; i++) {
    const side = sides[i]!;
    const [from, to] = [trims[i]!, side.length - trims[(i + 1) % n]!];
    const begins = stateOn(side, from);
    start ??= begins.point;
    if (to - from > 1e-6) cubics.push(...partOfSide(side, from, to).cubics);
    if (trims[(i + 1) % n] === 0) continue;
    const ends = stateOn(side, Math.max(from, to));
    const next = stateOn(sides[(i + 1) % n]!, trims[(i + 1) % n]!);
    cubics.push(...roundingBetween(ends.point, ends.direction, next.point, next.direction));
  }
  const first: Point = [snap(start![0]), snap(start![1])];
  const tidy = cubics.map((cubic) => cubic.map(snap) as unknown as Cubic);
  const last = tidy[tidy.length - 1]!;
  tidy[tidy.length - 1] = [last[0], last[1], last[2], last[3], first[0], first[1]];
  return { start: first, cubics: tidy };
}

/** Steps in which a rounding that would run into another one is made smaller: to within a 64th. */
const HALVINGS = 6;

/**
 * The contour with its corners rounded. A corner without room for its radius takes what
 * it has; where roundings would run across each other (needles next to each other), all
 * give way alike until they don't.
 *
 * @param radiusAt radius wanted at a vertex (vertex i is where cubic i begins), in frame units; 0 leaves it sharp
 */
export function roundContour(contour: Contour, radiusAt: (vertex: number) => number): Contour {
  const cut = cutAtCorners(contour);
  if (!cut.corners.some(({ vertex }) => radiusAt(vertex) > 0)) return contour;
  const trims = trimsFor(cut, radiusAt);
  const rounded = joined(cut, trims);
  if (!crossesItself(rounded)) return rounded;
  let [best, low, high] = [contour, 0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const tried = joined(
      cut,
      trims.map((trim) => trim * middle),
    );
    if (crossesItself(tried)) high = middle;
    else [low, best] = [middle, tried];
  }
  return best;
}

/** All corners of an outline rounded by one radius, in frame units. */
export function roundOutline(outline: Outline, radius: number): Outline {
  return radius > 0 ? outline.map((contour) => roundContour(contour, () => radius)) : outline;
}
