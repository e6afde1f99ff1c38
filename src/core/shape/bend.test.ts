import { bent, pinAt, type Pin } from './bend';
import { boundsOfOutline } from './bounds';
import { flatten } from './flatten';
import { measureOutline, polygonArea } from './measure';
import type { Outline, Point } from './path';
import { mapOutline } from './path';
import { seededShares } from './seeded';
import { shapeSchema } from './schema';
import { completeShape, outlineOf } from './shape';

const FRAME = { width: 1000, height: 1000 };
const shapeOf = (document: object): Outline => outlineOf(completeShape(shapeSchema.parse(document), FRAME));
const CIRCLE = shapeOf({ kind: 'circle' });
const STAR = shapeOf({ kind: 'star' });
const [left, top, right, bottom] = boundsOfOutline(CIRCLE);
const CORNERS: Point[] = [[left, top], [right, top], [right, bottom], [left, bottom]]; // prettier-ignore
const still = (places: readonly Point[]): Pin[] => places.map((from) => ({ from, to: from }));
const pinned = (moves: readonly (readonly [Point, Point])[]): Pin[] => moves.map(([from, to]) => ({ from, to }));
const area = (outline: Outline) => measureOutline(outline).area;

test('pins that stay change nothing at all', () => {
  for (const outline of [CIRCLE, STAR])
    expect(bent(outline, still(CORNERS))).toEqual({ outline, share: 1, crossing: null });
  expect(bent(STAR, [])).toEqual({ outline: STAR, share: 1, crossing: null });
});

test('a rigid motion of all pins is that motion of the outline, exactly', () => {
  const [cos, sin] = [Math.cos(0.4), Math.sin(0.4)];
  const motion = [cos, sin, -sin, cos, 130, -70] as const;
  const move = ([x, y]: Point): Point => [cos * x - sin * y + 130, sin * x + cos * y - 70];
  const pins = pinned(CORNERS.map((from) => [from, move(from)] as const));
  expect(bent(STAR, pins)).toEqual({ outline: mapOutline(STAR, motion), share: 1, crossing: null });
  // One pin moves all of it.
  const one = bent(STAR, pinned([[CORNERS[0]!, [left + 20, top - 30]]]));
  expect(one.outline).toEqual(mapOutline(STAR, [1, 0, 0, 1, 20, -30]));
});

/** Schaefer, McPhail & Warren 2006 §2.3, in the matrix form of the paper: f(v) = |v − p*| · f(v)/|f(v)| + q*. */
function reference(pins: readonly Pin[], [x, y]: Point): Point {
  const weights = pins.map(({ from }) => 1 / ((from[0] - x) ** 2 + (from[1] - y) ** 2));
  const sum = weights.reduce((a, b) => a + b, 0);
  const star = (of: 'from' | 'to'): Point => [
    pins.reduce((s, pin, i) => s + weights[i]! * pin[of][0], 0) / sum,
    pins.reduce((s, pin, i) => s + weights[i]! * pin[of][1], 0) / sum,
  ];
  const [p, q] = [star('from'), star('to')];
  const v = [x - p[0], y - p[1]] as const;
  let [fx, fy] = [0, 0];
  pins.forEach((pin, i) => {
    const a = [pin.from[0] - p[0], pin.from[1] - p[1]] as const;
    const b = [pin.to[0] - q[0], pin.to[1] - q[1]] as const;
    // A = w (p̂; −p̂⊥)(v; −v⊥)ᵀ, with (x, y)⊥ = (−y, x).
    const m = [
      [a[0] * v[0] + a[1] * v[1], a[0] * v[1] - a[1] * v[0]],
      [a[1] * v[0] - a[0] * v[1], a[1] * v[1] + a[0] * v[0]],
    ] as const;
    fx += weights[i]! * (b[0] * m[0][0] + b[1] * m[1][0]);
    fy += weights[i]! * (b[0] * m[0][1] + b[1] * m[1][1]);
  });
  const k = Math.hypot(v[0], v[1]) / Math.hypot(fx, fy);
  return [fx * k + q[0], fy * k + q[1]];
}

test('every point of a bent outline lies where the published map takes it', () => {
  const pins = pinned([
    [[left, 500], [left + 60, 460]],
    [[right, 500], [right, 560]],
    [[500, top], [520, top + 90]],
    [[500, bottom], [500, bottom]],
  ]); // prettier-ignore
  // Straight sides, so that what the reference is asked for is known densely.
  const square: Outline = shapeOf({ kind: 'rectangle' });
  const { outline } = bent(square, pins);
  const curve = flatten(outline, 1, 0.001)[0]!;
  const side = flatten(square, 1, 0.001)[0]!;
  for (let k = 0; k < side.length; k++) {
    const [a, b] = [side[k]!, side[(k + 1) % side.length]!];
    for (let i = 0; i < 40; i++) {
      const place: Point = [a[0] + ((b[0] - a[0]) * i) / 40, a[1] + ((b[1] - a[1]) * i) / 40];
      // On a pin the weights have no end.
      if (pins.some(({ from }) => Math.hypot(from[0] - place[0], from[1] - place[1]) < 1e-6)) continue;
      const [x, y] = reference(pins, place);
      const away = curve.reduce((best, [px, py], j) => {
        const [qx, qy] = curve[(j + 1) % curve.length]!;
        const long = (qx - px) ** 2 + (qy - py) ** 2 || 1;
        const t = Math.min(1, Math.max(0, ((x - px) * (qx - px) + (y - py) * (qy - py)) / long));
        return Math.min(best, Math.hypot(px + (qx - px) * t - x, py + (qy - py) * t - y));
      }, Infinity);
      expect(away).toBeLessThan(0.02);
    }
  }
});

test('a pin takes its place with it, and what other pins hold stays', () => {
  const held = [500, top] as Point;
  const pins = pinned([[held, held], [[right, 500], [right + 80, 500]], [[left, 500], [left, 500]]]); // prettier-ignore
  const polygon = flatten(bent(CIRCLE, pins).outline, 1, 0.001)[0]!;
  const nearest = ([x, y]: Point) => Math.min(...polygon.map(([px, py]) => Math.hypot(px - x, py - y)));
  expect(nearest(held)).toBeLessThan(0.5);
  expect(nearest([right + 80, 500])).toBeLessThan(0.5);
});

test('pins moved by no more than a tenth of the size change the area by no more than a quarter', () => {
  const lots = seededShares(11, 400);
  let k = 0;
  const size = right - left;
  for (let turn = 0; turn < 24; turn++) {
    const pins = pinned(
      [...CORNERS, [500, 500] as Point].map((from) => [from, [from[0] + (lots[k++]! - 0.5) * 0.14 * size, from[1] + (lots[k++]! - 0.5) * 0.14 * size]] as const), // prettier-ignore
    );
    for (const outline of [CIRCLE, STAR]) {
      const change = area(bent(outline, pins).outline) / area(outline);
      expect([turn, change > 0.75 && change < 1.25]).toEqual([turn, true]);
    }
  }
});

test('no outline runs across itself, however far its pins are pulled', () => {
  // The right side pulled far out of the left.
  const pins = pinned([
    [[left, 500], [left, 500]],
    [[500, 500], [500, 500]],
    [[right, 500], [left - 400, 500]],
    [[500, top], [500, top]],
    [[500, bottom], [500, bottom]],
  ]); // prettier-ignore
  const { outline, share } = bent(CIRCLE, pins);
  expect(share).toBeGreaterThan(0);
  expect(share).toBeLessThan(1);
  const polygon = flatten(outline, 1, 0.05)[0]!;
  const cross = (a: Point, b: Point, c: Point) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  const crossings: (readonly [number, number])[] = [];
  for (let i = 0; i < polygon.length; i++)
    for (let j = i + 2; j < polygon.length - (i === 0 ? 1 : 0); j++) {
      const [a, b, c, d] = [polygon[i]!, polygon[i + 1]!, polygon[j]!, polygon[(j + 1) % polygon.length]!];
      if (cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0) crossings.push([i, j]);
    }
  expect(crossings).toEqual([]);
  expect(polygonArea(polygon)).toBeGreaterThan(0);
});

test('where it would cross is told: near the outline as far as it is bent, and of a hole and its rim, too', () => {
  const hole = mapOutline(CIRCLE, [0.5, 0, 0, 0.5, 250, 250]);
  const ring = [...CIRCLE, ...hole.map(({ start, cubics }) => ({ start, cubics }))];
  // The hole's right side is pulled out of the rim, which is held.
  const pins = pinned([
    [[right, 500], [right, 500]],
    [[750, 500], [right + 100, 500]],
    [[250, 500], [250, 500]],
  ]); // prettier-ignore
  const { outline, share, crossing } = bent(ring, pins);
  expect(share).toBeGreaterThan(0);
  expect(share).toBeLessThan(1);
  const near = flatten(outline, 1, 0.05)
    .flat()
    .map(([x, y]) => Math.hypot(x - crossing![0], y - crossing![1]));
  expect(Math.min(...near)).toBeLessThan(20);
  // Contours that cross from the start are bent each for itself.
  expect(bent([...CIRCLE, ...mapOutline(CIRCLE, [1, 0, 0, 1, 60, 0])], still(CORNERS).map((pin, i) => (i === 0 ? { ...pin, to: [pin.to[0] - 9, pin.to[1]] } : pin))).share).toBe(1); // prettier-ignore
});

test('one more pin on a bent outline changes nothing', () => {
  const pins = pinned([[CORNERS[0]!, CORNERS[0]!], [CORNERS[2]!, [right + 90, bottom - 40]], [CORNERS[3]!, CORNERS[3]!]]); // prettier-ignore
  const before = bent(STAR, pins).outline;
  const place = before[0]!.cubics[4]!.slice(4) as unknown as Point;
  const pin = pinAt(pins, place);
  expect(pin.to).toEqual(place);
  const after = flatten(bent(STAR, [...pins, pin]).outline, 1, 0.01)[0]!;
  expect(Math.min(...after.map(([x, y]) => Math.hypot(x - place[0], y - place[1])))).toBeLessThan(1);
});

test('pins that would turn the outline inside out bend it less: it keeps its way round', () => {
  const [cx, cy] = [(left + right) / 2, (top + bottom) / 2];
  // Each place is to lie on the other side of the upright through the middle, the farther out the farther.
  const pins = pinned([[-3, -2], [3, -1], [-2, 3], [2.5, 2]].map(([x, y]) => [[cx + x! * 400, cy + y! * 400], [cx - x! * 900, cy + y! * 500]] as const)); // prettier-ignore
  for (const outline of [CIRCLE, STAR]) {
    const made = bent(outline, pins);
    expect(area(made.outline)).toBeGreaterThan(0);
    expect(made.share).toBeLessThan(1);
    expect(made.crossing).not.toBeNull();
  }
});
