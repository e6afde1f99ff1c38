import { besideOutline, placesWithin, type Beside } from './beside';
import { coverage } from './coverage';
import type { Polygon } from '../shape';

const window = { left: 0, top: 0, width: 120, height: 120 };
const everywhere: Polygon[] = [[[-200, -200], [400, -200], [400, 400], [-200, 400]]]; // prettier-ignore
const circle = (cx: number, cy: number, r: number, turns: 1 | -1 = 1): Polygon =>
  Array.from({ length: 400 }, (_, i) => {
    const angle = (turns * 2 * Math.PI * i) / 400 - Math.PI / 2;
    return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)] as const;
  });
/** The same over the whole window; NaN where nothing is told. */
function spread({ places: at, away, nx, ny, along, whole }: Beside) {
  const full = [away, nx, ny, along, whole].map((values) => {
    const out = new Float32Array(120 * 120).fill(NaN);
    at.forEach((place, i) => (out[place] = values[i]!));
    return out;
  }) as [Float32Array, Float32Array, Float32Array, Float32Array, Float32Array];
  return { away: full[0], nx: full[1], ny: full[2], along: full[3], whole: full[4] };
}
const places = (work: (x: number, y: number, i: number) => void) => {
  for (let y = 0, i = 0; y < 120; y++) for (let x = 0; x < 120; x++, i++) work(x + 0.5, y + 0.5, i);
};

test('beside a circle: the distance, the way in and the way round are those of the circle', () => {
  const { along, away, nx, ny, whole } = spread(besideOutline([circle(60, 60, 40)], 200, everywhere, window));
  const most = { away: 0, direction: 0, along: 0, whole: 0 };
  places((x, y, i) => {
    const [dx, dy] = [x - 60, y - 60];
    const far = Math.hypot(dx, dy);
    // In the middle every side is as near.
    if (far < 4) return;
    most.away = Math.max(most.away, Math.abs(away[i]! - (40 - far)));
    most.direction = Math.max(most.direction, Math.abs(nx[i]! + dx / far) + Math.abs(ny[i]! + dy / far));
    const turn = (Math.atan2(dx, -dy) / (2 * Math.PI) + 1) % 1;
    const off = Math.abs(along[i]! - turn);
    most.along = Math.max(most.along, Math.min(off, 1 - off));
    most.whole = Math.max(most.whole, Math.abs(whole[i]! / (80 * Math.PI) - 1));
  });
  expect(most.away).toBeLessThan(0.01);
  // No facets: the direction goes on between the corners.
  expect(most.direction).toBeLessThan(0.001);
  // Beyond a corner the nearest place is the corner: up to half a side off.
  expect(most.along).toBeLessThan(0.5 / 400 + 1e-4);
  expect(most.whole).toBeLessThan(0.0005);
});

test('in a hole everything lies outside of it', () => {
  const { away, nx } = spread(besideOutline([circle(60, 60, 55), circle(60, 60, 20, -1)], 200, everywhere, window));
  // At (60 + 30, 60): 10 from the hole, 25 from the rim; in the hole's middle −20.
  expect(away[60 * 120 + 90]!).toBeCloseTo(10.5, 1);
  expect(nx[60 * 120 + 90]!).toBeGreaterThan(0.99);
  expect(away[60 * 120 + 60]!).toBeCloseTo(-19.3, 1);
});

test('at sharp corners, pointing in or out, each place is on its own side', () => {
  // A thin needle out of a square, and a thin notch into it.
  const shape: Polygon = [[20, 40], [58, 40], [60, 5], [62, 40], [100, 40], [100, 100], [62, 100], [60, 70], [58, 100], [20, 100]]; // prettier-ignore
  const { away, nx, ny } = spread(besideOutline([shape], 200, everywhere, window));
  const isIn = (x: number, y: number) =>
    shape.reduce((inside, [ax, ay], i) => {
      const [bx, by] = shape[(i + 1) % shape.length]!;
      return ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax) ? !inside : inside;
    }, false);
  const [elsewhere, uneven]: [(readonly [number, number])[], number[]] = [[], []];
  places((x, y, i) => {
    if (Math.abs(away[i]!) < 0.02) return;
    if (away[i]! > 0 !== isIn(x, y)) elsewhere.push([x, y]);
    const long = Math.hypot(nx[i]!, ny[i]!);
    if (!(Math.abs(long - 1) < 5e-5)) uneven.push(long);
  });
  expect(elsewhere).toEqual([]);
  expect(uneven).toEqual([]);
});

test('what is asked is every pixel that the band touches, in a window of any place', () => {
  const ring = [circle(60, 60, 40), circle(60, 60, 33.3, -1)];
  for (const part of [
    window,
    { left: 50, top: 15, width: 31, height: 70 },
    { left: 200, top: 0, width: 5, height: 5 },
  ]) {
    const touched = [...coverage(ring, part).entries()].flatMap(([place, share]) => (share > 0 ? [place] : []));
    expect([...placesWithin(ring, part)]).toEqual(touched);
    expect([...besideOutline([circle(60, 60, 40)], 10, ring, part).places]).toEqual(touched);
  }
});

test('nothing is told where nothing is asked', () => {
  const { away } = spread(
    besideOutline([circle(60, 60, 40)], 10, [circle(60, 60, 40), circle(60, 60, 30, -1)], window),
  );
  expect(away[60 * 120 + 60]).toBeNaN();
  expect(away[60 * 120 + 95]!).toBeCloseTo(4.5, 1);
});
