/** How bands stand in the light, against closed forms. */
import { light as lightDefinition, type Light } from '../layers';
import { relief as reliefDefinition } from '../layers/relief';
import { parseTemplate } from '../template';
import { smoothPhoto } from '../testing/photos';
import { compile } from './compile';
import { compose } from './compose';
import { riseOf, shadingOf } from './relief';

const SIZE = 400;
const [CENTRE, RADIUS, WIDTH] = [200, 180, 60];
const PAINT = 128;

const circle = (border: object, rest: object = {}) =>
  parseTemplate({
    wobrel: 1,
    name: 'T',
    frame: { width: SIZE, height: SIZE },
    shape: { kind: 'circle', box: { cx: CENTRE, cy: CENTRE, width: 2 * RADIUS, height: 2 * RADIUS } },
    borders: [{ width: WIDTH, paint: '#808080', ...border }],
    outputs: [{ width: SIZE }],
    ...rest,
  });

function drawn(template: ReturnType<typeof circle>): Uint8ClampedArray {
  const plate = compile(template, SIZE);
  const { width, height } = plate.photoWindow;
  return compose(plate, { data: smoothPhoto(width, height), window: plate.photoWindow, opaque: true });
}

/** The light's direction: to the right, down, and out of the picture. */
function towards({ angle, height }: Light): [number, number, number] {
  const [turn, high] = [(angle * Math.PI) / 180, (height * Math.PI) / 180];
  return [Math.sin(turn) * Math.cos(high), -Math.cos(turn) * Math.cos(high), Math.sin(high)];
}

/**
 * A torus by its own normal: at `u` from the middle of its ring (−1 outside, 1 inside) the normal leans out by u.
 * Lambert's law and light from everywhere; Blinn's half vector to an eye straight above.
 */
function torusGrey(x: number, y: number, lit: Light, shine: number): number {
  const [dx, dy] = [x - CENTRE, y - CENTRE];
  const far = Math.hypot(dx, dy);
  const u = (2 * (RADIUS - far)) / WIDTH - 1;
  const n = [(-u * dx) / far, (-u * dy) / far, Math.sqrt(1 - u * u)] as const;
  const l = towards(lit);
  const h = [l[0], l[1], l[2] + 1].map((v) => v / Math.hypot(l[0], l[1], l[2] + 1));
  const lambert = Math.max(0, n[0] * l[0] + n[1] * l[1] + n[2] * l[2]);
  const [is, flat] = [lambert, l[2]].map((v) => lit.ambient + (1 - lit.ambient) * v) as [number, number];
  const specular = Math.max(0, n[0] * h[0]! + n[1] * h[1]! + n[2] * h[2]!) ** shine;
  const flatSpecular = h[2]! ** shine;
  const dark = Math.max(0, 1 - is / flat);
  const bright =
    1 - (1 - Math.max(0, is - flat) / (1 - flat)) * (1 - Math.max(0, specular - flatSpecular) / (1 - flatSpecular));
  // Multiplied with black, then white by screen.
  const grey = (PAINT / 255) * (1 - dark);
  return 255 * (grey + bright * (1 - grey));
}

test.each([
  [{ angle: 315, height: 45, ambient: 0.25 }, 24],
  [{ angle: 90, height: 20, ambient: 0 }, 1],
  [{ angle: 200, height: 75, ambient: 0.6 }, 120],
])('a round profile on a circle is a torus in the light: %j, shine %d', (light, shine) => {
  const relief = { profile: 'round', depth: WIDTH / 2, shine, highlightStrength: 1, shadeStrength: 1 };
  const out = drawn(circle({ relief }, { light }));
  let [worst, seen] = [0, 0];
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const far = Math.hypot(x + 0.5 - CENTRE, y + 0.5 - CENTRE);
      // Pixels on the rims are shared; next to them the torus stands upright.
      if (far > RADIUS - 1.5 || far < RADIUS - WIDTH + 1.5) continue;
      seen++;
      worst = Math.max(worst, Math.abs(out[(y * SIZE + x) * 4]! - torusGrey(x + 0.5, y + 0.5, light, shine)));
    }
  expect(seen).toBeGreaterThan(50_000);
  expect(worst).toBeLessThanOrEqual(2);
});

test('what does not stand out looks as it did, byte for byte', () => {
  const bytes = (fields: object) => Buffer.from(drawn(circle(fields)));
  const plain = bytes({});
  const isPlain = (relief: object) => plain.equals(bytes({ relief }));
  expect(isPlain({ depth: 0 })).toBe(true);
  expect(isPlain({ profile: 'chamfer', depth: 0, softness: 9 })).toBe(true);
  expect(isPlain({ depth: 20, highlightStrength: 0, shadeStrength: 0 })).toBe(true);
  expect(isPlain({ depth: 2 })).toBe(false);
});

test('a texture that lies flat is the same whether its places are looked for beside the rim, for a relief, or not', () => {
  const of = { kind: 'paper', contrast: 1 };
  const paint = { kind: 'texture', of, size: 8, stops: [[0, '#000000'], [1, '#ffffff']] }; // prettier-ignore
  const bytes = (relief: object | null) => drawn(circle({ paint, relief, rough: { kind: 'torn', amount: 9 } }));
  const [lit, plain] = [bytes({ depth: 0 }), bytes(null)];
  // What stands in the light is noted in 8 bits first.
  expect(lit.filter((v, k) => Math.abs(v - plain[k]!) > 1)).toHaveLength(0);
  expect(lit.filter((v, k) => k % 4 === 0 && v > 250).length).toBeGreaterThan(100);
});

test('light from all sides around sums to what a flat place gets by how much it leans', () => {
  const relief = reliefDefinition.schema.parse({ highlightStrength: 1, shadeStrength: 1, shine: 400 });
  const [right, down] = [0.3, -0.2];
  const out = new Float64Array(2);
  let sum = 0;
  const STEPS = 720;
  for (let i = 0; i < STEPS; i++) {
    const light = lightDefinition.schema.parse({ angle: (i * 360) / STEPS, height: 60, ambient: 0 });
    shadingOf(light, { ...relief, shine: 1e9 })(right, down, out);
    const flat = Math.sin(Math.PI / 3);
    sum += out[0]! > 0 ? flat * (1 - out[0]!) : flat + out[1]! * (1 - flat);
  }
  // The mean of n · l over all directions is n's share upwards times the light's.
  expect(sum / STEPS).toBeCloseTo(Math.sin(Math.PI / 3) / Math.sqrt(1 + right ** 2 + down ** 2), 4);
});

test('turned with its light, a band looks the same turned', () => {
  const relief = { profile: 'chamfer', depth: 12, softness: 4 };
  const out = drawn(circle({ relief }, { light: { angle: 0 } }));
  const turned = drawn(circle({ relief }, { light: { angle: 90 } }));
  let worst = 0;
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const far = Math.hypot(x + 0.5 - CENTRE, y + 0.5 - CENTRE);
      if (far < RADIUS - WIDTH + 2 || far > RADIUS - 2) continue;
      // A quarter clockwise takes (x, y) to (SIZE − 1 − y, x).
      const [here, there] = [(y * SIZE + x) * 4, (x * SIZE + SIZE - 1 - y) * 4];
      worst = Math.max(worst, Math.abs(out[here]! - turned[there]!));
    }
  expect(worst).toBeLessThanOrEqual(1);
});

test.each(['round', 'hollow', 'chamfer', 'drawn'] as const)(
  'the rise of a %s profile is the slope of its height',
  (profile) => {
    const relief = reliefDefinition.schema.parse({ profile, chamfer: 0.2 });
    const rise = riseOf(relief);
    /** Heights by adding its rises up, in ten thousand steps from 0.001 to `t`. */
    const between = (a: number, b: number) => {
      let sum = 0;
      for (let i = 0; i < 10_000; i++) sum += rise(a + ((b - a) * (i + 0.5)) / 10_000) * ((b - a) / 10_000);
      return sum;
    };
    const height = {
      round: (t: number) => Math.sqrt(1 - (2 * t - 1) ** 2),
      hollow: (t: number) => 1 - Math.sqrt(1 - (2 * t - 1) ** 2),
      chamfer: (t: number) => Math.min(1, t / 0.2, (1 - t) / 0.2),
      // Through its points.
      drawn: (t: number) => relief.curve.find(([at]) => at === t)![1],
    }[profile];
    const [a, ...others] = profile === 'drawn' ? relief.curve.map(([at]) => at) : [0.05, 0.15, 0.5, 0.7, 0.9];
    for (const b of others) expect(between(a!, b)).toBeCloseTo(height(b) - height(a!), 3);
  },
);

test('a drawn profile never overshoots its points', () => {
  const rise = riseOf(reliefDefinition.schema.parse({ profile: 'drawn', curve: [[0, 0], [0.4, 1], [0.6, 1], [1, 0.3]] })); // prettier-ignore
  for (let t = 0.001; t < 1; t += 0.002)
    expect(Math.sign(Math.round(rise(t) * 1e9)) + 0).toBe(t < 0.4 ? 1 : t < 0.6 ? 0 : -1);
});

test('a texture stands out where it is light: its grain is its own slope', () => {
  const paint = { kind: 'texture', of: { kind: 'stripes', share: 0.5, soft: 1 }, size: 40, stops: [[0, '#808080'], [1, '#808080']] }; // prettier-ignore
  const relief = { profile: 'chamfer', chamfer: 0.01, depth: 0, grain: 10 };
  const out = drawn(circle({ paint, relief, width: 170 }, { light: { angle: 90, height: 30 } }));
  const row = 100 * SIZE;
  const at = (x: number) => out[(row + x) * 4]!;
  // Stripes are highest at multiples of 40: to the left of them it faces away from a light at the right.
  for (const top of [120, 160, 200, 240]) {
    expect(at(top - 8)).toBeLessThan(PAINT - 20);
    expect(at(top + 8)).toBeGreaterThan(PAINT + 20);
  }
});
