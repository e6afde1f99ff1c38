/** Textures: without seams, as their numbers say, and the same at every scale. */
import { createHash } from 'node:crypto';
import known from './tiles.json';
import { TEXTURES, type TextureKind } from './registry';
import { textureSchema, type Texture } from './schema';
import { alongReader, flatReader, tileFor, tileSide } from './texture';

const KINDS = Object.keys(TEXTURES) as TextureKind[];
const SEEDS = [0, 7, 4321];
const texture = (fields: object): Texture => textureSchema.parse(fields);

const statistics = (values: Float32Array) => {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length;
  return { mean, deviation: Math.sqrt(variance) };
};

/** How much each column, or row, differs from the next one on average; the last from the first. */
function differences({ side, values }: { side: number; values: Float32Array }, down: boolean): number[] {
  return Array.from({ length: side }, (_, a) => {
    const b = (a + 1) % side;
    let sum = 0;
    for (let k = 0; k < side; k++) {
      const [one, next] = down ? [a * side + k, b * side + k] : [k * side + a, k * side + b];
      sum += Math.abs(values[one]! - values[next]!);
    }
    return sum / side;
  });
}

test.each(KINDS)('%s goes on over its sides as it does within', (kind) => {
  for (const seed of SEEDS) {
    const tile = tileFor({ of: texture({ kind }), seed });
    for (const down of [false, true]) {
      const all = differences(tile, down);
      const seam = all.pop()!;
      expect(seam).toBeLessThanOrEqual(Math.max(...all) * 1.01 + 1e-9);
    }
  }
});

test('what does not repeat is found by that', () => {
  const side = 64;
  const values = Float32Array.from({ length: side * side }, (_, i) => (i % side) / side);
  const all = differences({ side, values }, false);
  expect(all.pop()!).toBeGreaterThan(Math.max(...all) * 10);
});

const SMOOTH = KINDS.filter((kind) => 'contrast' in TEXTURES[kind].params);

test.each(SMOOTH)('%s has a mean of a half, and a fifth of its contrast as deviation', (kind) => {
  for (const contrast of [0.2, 0.5])
    for (const seed of SEEDS) {
      const { mean, deviation } = statistics(tileFor({ of: texture({ kind, contrast }), seed }).values);
      expect(Math.abs(mean - 0.5)).toBeLessThan(0.005);
      expect(Math.abs(deviation - contrast / 5)).toBeLessThan(0.02 * contrast);
    }
});

test.each(['speckle', 'dots', 'stripes', 'scallops'] as const)('%s covers the share that it says', (kind) => {
  for (const share of [0.1, 0.3, 0.6]) {
    const { mean, deviation } = statistics(tileFor({ of: texture({ kind, share }), seed: 3 }).values);
    expect(Math.abs(mean - share)).toBeLessThan(0.004);
    // Two tones: the variance of a coin.
    expect(Math.abs(deviation ** 2 - share * (1 - share))).toBeLessThan(0.004);
  }
});

test('soft stripes cover as much as hard ones', () => {
  const { mean } = statistics(tileFor({ of: texture({ kind: 'stripes', share: 0.4, soft: 1 }), seed: 1 }).values);
  expect(mean).toBeCloseTo(0.4, 3);
});

test('checks cover twice the share by its rest', () => {
  const { mean } = statistics(tileFor({ of: texture({ kind: 'checks', share: 0.3 }), seed: 1 }).values);
  expect(mean).toBeCloseTo(2 * 0.3 * 0.7, 2);
});

test.each(KINDS)('%s at once, twice and four times the scale: four pixels come to the one that they are', (kind) => {
  const of = texture({ kind });
  // As large as its values are fine at the largest scale.
  const { side } = tileFor({ of, seed: 2 });
  const laid = { of, seed: 2, size: side / 4 / TEXTURES[kind].repeats, angle: 0 };
  expect(tileSide(laid)).toBeCloseTo(side / 4, 9);
  const at = (scale: number) => {
    const read = flatReader(laid, scale);
    return (x: number, y: number) => read((x + 0.5) / scale, (y + 0.5) / scale);
  };
  const [once, twice, four] = [at(1), at(2), at(4)];
  const mean = (read: ReturnType<typeof at>, times: number, x: number, y: number) => {
    let sum = 0;
    for (let j = 0; j < times; j++) for (let i = 0; i < times; i++) sum += read(x * times + i, y * times + j);
    return sum / times / times;
  };
  for (let n = 0; n < 200; n++) {
    const [x, y] = [(n * 37) % 300, (n * 91) % 300];
    expect(mean(twice, 2, x, y)).toBeCloseTo(once(x, y), 6);
    expect(mean(four, 4, x, y)).toBeCloseTo(once(x, y), 6);
  }
});

test('enlarged, values run into each other', () => {
  const laid = { of: texture({ kind: 'checks' }), seed: 0, size: 50_000, angle: 0 };
  const read = flatReader(laid, 1);
  const row = Array.from({ length: 2000 }, (_, i) => read(24_000 + i, 12_500));
  const steps = row.slice(1).map((v, i) => Math.abs(v - row[i]!));
  expect(Math.max(...row)).toBeGreaterThan(0.99);
  expect(Math.max(...steps)).toBeLessThan(0.03);
});

test.each(KINDS)('%s along a line ends where it began, whole tiles round it', (kind) => {
  for (const angle of [0, 40]) {
    const laid = { of: texture({ kind }), seed: 5, size: 11, angle };
    const read = alongReader(laid, 777.7, 1.3);
    for (const away of [0, 3, 20.5]) expect(read(1, away)).toBeCloseTo(read(0, away), 6);
  }
});

test.each(KINDS)('another seed of %s is another one, where it goes by lot', (kind) => {
  const [one, other] = [1, 2].map((seed) => tileFor({ of: texture({ kind }), seed }).values) as [Float32Array, Float32Array]; // prettier-ignore
  const isByLot = !['dots', 'stripes', 'checks', 'scallops'].includes(kind);
  expect(one.some((v, i) => v !== other[i])).toBe(isByLot);
});

test('tiles are the same bytes as ever, in every engine', () => {
  const sums = Object.fromEntries(
    KINDS.map((kind) => {
      const { values } = tileFor({ of: texture({ kind }), seed: 42 });
      return [kind, createHash('sha256').update(new Uint8Array(values.buffer)).digest('hex')];
    }),
  );
  expect(sums).toEqual(known);
});
