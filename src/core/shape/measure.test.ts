import { shapeSchema, type Outline } from '.';
import { intersect, subtract, unite } from './combine';
import { shapeFigures } from './figures';
import { areaOf, centroidOf, measureOutline, perimeterOf, visualCentreOf } from './measure';
import { mapOutline, polygonContour } from './path';
import { CATALOGUE } from './presets';
import { crossesItself } from './crossing';
import { roundOutline } from './round';
import { completeShape, outlineOf } from './shape';
import { thinnestPart } from './thin';

const FRAME = { width: 1080, height: 1080 };
const box = (width: number, height = width) => ({ cx: 540, cy: 540, width, height });
const outline = (document: object): Outline => outlineOf(completeShape(shapeSchema.parse(document), FRAME));

/** Within 0.01 % of the closed form. */
const expectClose = (got: number, exact: number) => expect(Math.abs(got / exact - 1)).toBeLessThan(1e-4);

test.each([3, 4, 5, 6, 12, 60])('a regular polygon of %i sides: area n/2·R²·sin(2π/n), perimeter 2nR·sin(π/n)', (n) => {
  const shape = outline({ kind: 'polygon', sides: n, box: box(900) });
  expectClose(areaOf(shape), (n / 2) * 450 ** 2 * Math.sin((2 * Math.PI) / n));
  expectClose(perimeterOf(shape), 2 * n * 450 * Math.sin(Math.PI / n));
});

test.each([
  [5, 0.38],
  [7, 0.6],
  [24, 0.9],
])('a star of %i tips with valleys at %d: area n·R·r·sin(π/n), sides by the law of cosines', (n, valley) => {
  const shape = outline({ kind: 'star', tips: n, valley, box: box(800) });
  const [R, r, a] = [400, 400 * valley, Math.PI / n];
  expectClose(areaOf(shape), n * R * r * Math.sin(a));
  expectClose(perimeterOf(shape), 2 * n * Math.sqrt(R * R + r * r - 2 * R * r * Math.cos(a)));
});

/** Perimeter of an ellipse by the arithmetic–geometric mean (Gauss; DLMF 19.8.6 for E(k)). */
function ellipsePerimeter(a: number, b: number): number {
  let [x, y] = [1, Math.min(a, b) / Math.max(a, b)];
  let sum = 1 - (1 - y * y) / 2;
  for (let n = 1, power = 1; n < 12; n++, power *= 2) {
    const c = (x - y) / 2;
    [x, y] = [(x + y) / 2, Math.sqrt(x * y)];
    sum -= power * c * c;
  }
  return (2 * Math.PI * Math.max(a, b) * sum) / x;
}

test.each([
  [900, 900],
  [900, 620],
  [1000, 90],
])('an ellipse of %i × %i: area πab, perimeter by the arithmetic–geometric mean', (width, height) => {
  const shape = outline({ kind: 'ellipse', box: box(width, height) });
  expectClose(areaOf(shape), (Math.PI * width * height) / 4);
  expectClose(perimeterOf(shape), ellipsePerimeter(width / 2, height / 2));
});

/** ln Γ(z) for z ≥ 1 (Lanczos' approximation, coefficients of Numerical Recipes 2nd edition §6.1; error below 2e-10). */
function gamma(z: number): number {
  const c = [
    76.18009172947146, -86.50532032941677, 24.01409824083091, -1.231739572450155, 0.1208650973866179e-2,
    -0.5395239384953e-5,
  ];
  const t = z + 5.5 - (z + 0.5) * Math.log(z + 5.5);
  const series = c.reduce((sum, ci, i) => sum + ci / (z + 1 + i), 1.000000000190015);
  return Math.exp(-t + Math.log((2.5066282746310005 * series) / z));
}

test.each([1, 1.3, 2, 2.5, 4, 8, 12])('a superellipse of exponent %d: area 4ab·Γ(1+1/n)²/Γ(1+2/n) (DLMF 5.12)', (n) => {
  const shape = outline({ kind: 'superellipse', exponent: n, box: box(900, 500) });
  expectClose(areaOf(shape), (4 * 450 * 250 * gamma(1 + 1 / n) ** 2) / gamma(1 + 2 / n));
});

test('a rounded rectangle: area ab − (4 − π)r², perimeter 2(a + b) − (8 − 2π)r', () => {
  const shape = outline({ kind: 'rectangle', radii: [90, 90, 90, 90], box: box(800, 500) });
  expectClose(areaOf(shape), 800 * 500 - (4 - Math.PI) * 90 ** 2);
  expectClose(perimeterOf(shape), 2 * 1300 - (8 - 2 * Math.PI) * 90);
});

test('a ring: area π(R² − r²), its hole counted against it', () => {
  const shape = outline({ kind: 'ring', thickness: 0.25, box: box(800) });
  expectClose(areaOf(shape), Math.PI * (400 ** 2 - 300 ** 2));
});

describe('two circles of radius 300, 350 apart: the lens has 2r²·acos(d/2r) − d/2·√(4r² − d²)', () => {
  const circle = outline({ kind: 'circle', box: box(600) });
  const other = mapOutline(circle, [1, 0, 0, 1, 350, 0]);
  const lens = 2 * 300 ** 2 * Math.acos(350 / 600) - 175 * Math.sqrt(4 * 300 ** 2 - 350 ** 2);
  const disc = Math.PI * 300 ** 2;
  test('overlap', () => expectClose(areaOf(intersect(circle, other)), lens));
  test('add', () => expectClose(areaOf(unite([circle, other])), 2 * disc - lens));
  test('cut', () => expectClose(areaOf(subtract(circle, other)), disc - lens));
});

describe('rounding', () => {
  test.each([3, 4, 6, 9])('of all corners of a regular polygon of %i sides takes off r²(n·tan(π/n) − π)', (n) => {
    const sharp = outline({ kind: 'polygon', sides: n, box: box(900) });
    const round = roundOutline(sharp, 60);
    expectClose(areaOf(round), areaOf(sharp) - 60 ** 2 * (n * Math.tan(Math.PI / n) - Math.PI));
    expectClose(perimeterOf(round), perimeterOf(sharp) - 2 * 60 * (n * Math.tan(Math.PI / n) - Math.PI));
  });

  test('with more than there is room for gives the inscribed circle', () => {
    const round = roundOutline(outline({ kind: 'polygon', sides: 6, box: box(900) }), 5000);
    const inradius = 450 * Math.cos(Math.PI / 6);
    expectClose(areaOf(round), Math.PI * inradius ** 2);
  });

  test('of one corner between curves with more than there is room for is a half circle where they lead opposite ways', () => {
    // Below, half of an ellipse that is 0.32 of the height deep; above, half a disc.
    const drop = outline({ kind: 'drop', box: box(700, 1000) });
    for (const radius of [400, 1000, 25_000])
      expectClose(areaOf(roundOutline(drop, radius)), (Math.PI / 2) * 350 * (350 + 320));
    // Three quarters of a disc, and a square for the fourth.
    const pane = outline({ kind: 'rectangle', radii: [450, 450, 450, 0], box: box(900) });
    for (const radius of [450, 600, 25_000]) expectClose(areaOf(roundOutline(pane, radius)), Math.PI * 450 ** 2);
  });

  test('of a notch between curves nears the line that touches both', () => {
    const areas = [500, 700, 1000, 4000, 25_000].map((radius) => areaOf(roundOutline(outline({ kind: 'heart', box: box(900) }), radius))); // prettier-ignore
    for (const [i, area] of areas.slice(1).entries()) {
      expect(area / areas[i]!).toBeGreaterThan(1);
      expect(area / areas[i]!).toBeLessThan(1.02);
    }
  });

  test('of a square by radius r is the rectangle with radii r', () => {
    const square = roundOutline(outline({ kind: 'rectangle', box: box(600) }), 80);
    const rectangle = outline({ kind: 'rectangle', radii: [80, 80, 80, 80], box: box(600) });
    expectClose(areaOf(square), areaOf(rectangle));
    expectClose(perimeterOf(square), perimeterOf(rectangle));
  });

  test('leaves smooth outlines and radius 0 alone', () => {
    for (const kind of ['circle', 'ellipse', 'superellipse']) {
      const shape = outline({ kind, box: box(700, 500) });
      expect(roundOutline(shape, 50)).toEqual(shape);
    }
    const star = outline({ kind: 'star', box: box(700) });
    expect(roundOutline(star, 0)).toBe(star);
  });

  test('needles side by side give way to each other rather than cross', () => {
    const needles = outline({ kind: 'star', valley: 0.0514, box: { ...box(5), height: 436.2 } });
    for (const radius of [0.1, 0.7, 400]) {
      const round = roundOutline(needles, radius);
      expect(round.some(crossesItself)).toBe(false);
      expect(areaOf(round)).toBeGreaterThan(0);
      // Inside the ellipse that the tips lie on.
      expect(areaOf(round)).toBeLessThan((Math.PI / 4) * 5 * 436.2);
    }
  });

  test('crossings are told from touching', () => {
    const bow = polygonContour([
      [0, 0],
      [10, 10],
      [10, 0],
      [0, 10],
    ]);
    const touching = polygonContour([
      [0, 0],
      [5, 5],
      [10, 0],
      [10, 10],
      [5, 5],
      [0, 10],
    ]);
    expect([crossesItself(bow), crossesItself(touching)]).toEqual([true, false]);
  });

  test('never makes an outline that leaves the sharp one by more than a hair at convex corners', () => {
    for (const { kind } of CATALOGUE)
      for (const radius of [5, 60, 400, 25_000]) {
        const sharp = outline({ kind, box: box(800, 500) });
        const round = roundOutline(sharp, radius);
        expect(round.flatMap((c) => c.cubics.flat()).every(Number.isFinite)).toBe(true);
        const [left, top, right, bottom] = measureOutline(round).bounds;
        const [l, t, r, b] = measureOutline(sharp).bounds;
        expect([left >= l - 0.5, top >= t - 0.5, right <= r + 0.5, bottom <= b + 0.5]).toEqual([
          true,
          true,
          true,
          true,
        ]);
        // However large the radius, the shape is there.
        expect([kind, radius, areaOf(round) > areaOf(sharp) / 3]).toEqual([kind, radius, true]);
      }
  });
});

test('the centroid of a half disc lies 4r/3π from its flat side (Archimedes)', () => {
  const [x, y] = centroidOf(outline({ kind: 'half-round', box: box(800, 400) }));
  expect(x).toBeCloseTo(540, 2);
  expect(740 - y).toBeCloseTo((4 * 400) / (3 * Math.PI), 1);
});

test('the visual centre of a ring lies in the middle of its band, that of a disc in its middle', () => {
  const { point, distance } = visualCentreOf(outline({ kind: 'ring', thickness: 0.3, box: box(800) }));
  expect(Math.hypot(point[0] - 540, point[1] - 540)).toBeCloseTo(340, -1);
  expect(Math.abs(distance - 60)).toBeLessThan(1);
  expect(visualCentreOf(outline({ kind: 'circle', box: box(800) })).distance).toBeCloseTo(400, -0.5);
});

test('figures of a shape do not hang on its size, and are those of closed forms', () => {
  for (const size of [200, 900]) {
    const { proportion, area, thin } = shapeFigures(outline({ kind: 'ellipse', box: box(2 * size, size) }));
    expectClose(proportion, 2);
    expectClose(area, Math.PI / 4);
    expect(Math.abs(thin! - 0.5)).toBeLessThan(0.005);
  }
});

describe('the thinnest part', () => {
  const thin = (document: object) => thinnestPart(outline(document))!;

  test('of a ring lies in its band, not in its hole', () => {
    const { width, at } = thin({ kind: 'ring', thickness: 0.2, box: { cx: 500, cy: 500, width: 800, height: 800 } });
    expect(Math.abs(width - 80)).toBeLessThan(3);
    expect(Math.abs(Math.hypot(at[0] - 500, at[1] - 500) - 360)).toBeLessThan(10);
  });

  test('of an arrow is its shaft, and lies on it', () => {
    const { width, at } = thin({ kind: 'arrow', headLength: 0.3, shaft: 0.12, box: box(900, 500) });
    expect(Math.abs(width - 60)).toBeLessThan(2);
    expect(at[0]).toBeLessThan(540);
    expect(Math.abs(at[1] - 540)).toBeLessThan(2);
  });
  test('is found on outlines of many corners by those that matter, and is not told where thousands do', () => {
    const star = (points: number, inner: number) => {
      const at = (i: number) => [i % 2 ? 400 : inner, (i / points) * 2 * Math.PI] as const;
      const places = Array.from({ length: points }, (_, i) => at(i)).map(([r, angle]) => `${500 + r * Math.cos(angle)} ${500 + r * Math.sin(angle)}`); // prettier-ignore
      return { kind: 'path', d: `M${places.join('L')}ZM700 500H300V480H700Z`, fillRule: 'evenodd' };
    };
    // A ring of teeth around a slot: what is between them is the thinnest.
    expect(Math.abs(thin(star(4000, 399.5)).width - 2 * 190)).toBeLessThan(20);
    expect(thinnestPart(outline(star(4000, 350)))).toBeNull();
  });

  test('of a ring is its band, of a disc its diameter', () => {
    expect(Math.abs(thin({ kind: 'ring', thickness: 0.2, box: box(600) }).width - 60)).toBeLessThan(2);
    expect(Math.abs(thin({ kind: 'circle', box: box(600) }).width - 600)).toBeLessThan(3);
  });
});
