import { flatten } from './flatten';
import { polygonArea } from './measure';
import { polygonCrosses } from './crossing';
import { raggedOutline, raggedPolygons, type Ragged } from './ragged';
import { shapeSchema } from './schema';
import { completeShape, outlineOf } from './shape';

const KINDS: Ragged['kind'][] = ['wobble', 'waves', 'scallops', 'deckled', 'torn'];
const FRAME = { width: 1000, height: 1000 };
const CIRCLE = outlineOf(completeShape(shapeSchema.parse({ kind: 'circle' }), FRAME));
const STAR = outlineOf(completeShape(shapeSchema.parse({ kind: 'star' }), FRAME));
const R = 1000 * (4 / 9);

test.each(KINDS)('%s: within its amount of the outline, reaching nearly that far, for every seed', (kind) => {
  for (const seed of [0, 5, 99]) {
    const polygons = raggedPolygons(flatten(CIRCLE, 1), { kind, amount: 12, size: 80, seed });
    const far = polygons.flat().map(([x, y]) => Math.hypot(x - 500, y - 500) - R);
    expect(Math.max(...far.map(Math.abs))).toBeLessThanOrEqual(12.01);
    expect(Math.max(...far) - Math.min(...far)).toBeGreaterThan(12);
  }
});

test('waves are as many as go round, and leave the area as it was', () => {
  const [polygon] = raggedPolygons(flatten(CIRCLE, 1), { kind: 'waves', amount: 10, size: 100, seed: 1 });
  const signs = polygon!.map(([x, y]) => Math.sign(Math.hypot(x - 500, y - 500) - R - 1e-6));
  const changes = signs.filter((sign, i) => sign !== signs[(i + 1) % signs.length]).length;
  expect(changes / 2).toBe(Math.round((2 * Math.PI * R) / 100));
  // A sine's mean is nought; its square adds π a².
  expect(polygonArea(polygon!)).toBeCloseTo(Math.PI * (R * R + (10 * 10) / 2), -3);
});

test.each(KINDS)('%s never runs across itself, even round a star’s points', (kind) => {
  for (const size of [6, 40, 300])
    for (const polygon of raggedPolygons(flatten(STAR, 1), { kind, amount: 40, size, seed: 3 }))
      expect(polygonCrosses(polygon)).toBe(false);
});

test('the same at any scale: an edge of pixels is the edge of the frame, so many times as large', () => {
  const ragged = { kind: 'torn', amount: 9, size: 60, seed: 8 } as const;
  const one = raggedPolygons(flatten(CIRCLE, 1, 0.001), ragged)[0]!;
  const three = raggedPolygons(flatten(CIRCLE, 3, 0.001), { ...ragged, amount: 27, size: 180 })[0]!;
  expect(three).toHaveLength(one.length);
  three.forEach(([x, y], i) => expect(Math.hypot(x / 3 - one[i]![0], y / 3 - one[i]![1])).toBeLessThan(0.02));
});

test('no amount is no change, and another seed is another edge', () => {
  expect(raggedOutline(CIRCLE, { kind: 'torn', amount: 0, size: 60, seed: 8 })).toBe(CIRCLE);
  const edge = (seed: number) => raggedOutline(CIRCLE, { kind: 'deckled', amount: 5, size: 60, seed });
  expect(edge(1)).toEqual(edge(1));
  expect(edge(1)).not.toEqual(edge(2));
});
