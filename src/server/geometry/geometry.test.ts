import fc from 'fast-check';
import { DEFINITIONS } from '../../core/shape/registry';
import { createThreads, type Threads } from '../threads/threads';
import { WobrelError } from '../../core/errors';

/** What a document may take at the very most, on a slow machine with other work, and how it is told. */
const SECONDS = 60;
const tooLong = () => new WobrelError('took-too-long', 'It took too long.');

let threads: Threads;
beforeAll(() => {
  const worker = 'geometry-worker.mjs';
  threads = createThreads({ worker, threads: 2, seconds: SECONDS, megabytes: 1024, tooMuch: tooLong });
});
afterAll(() => threads.close());

const named = (shape: object, more: object = {}) => ({ wobrel: 1, name: 'T', shape, ...more });

/** Reads and compiles a document in a thread of its own. */
const tried = (document: object) => threads.run<{ segments: number; pixels: number }>('trial', document);

/** Refused with a sentence that names the field at fault, or done; nothing else. */
async function outcomeOf(document: object): Promise<string> {
  try {
    await tried(document);
    return 'done';
  } catch (error) {
    if (!(error instanceof WobrelError)) throw error;
    return error.code;
  }
}

const combined = (parts: object[]) => ({ kind: 'combined', parts });
const circle = (fields: object = {}) => ({
  kind: 'circle',
  box: { cx: 540, cy: 540, width: 800, height: 800, ...fields },
});

describe('documents that were made to take long', () => {
  test('400 circles on each other', async () => {
    const { segments } = await tried(named(combined(Array.from({ length: 400 }, () => ({ op: 'add', shape: { kind: 'circle' } }))))); // prettier-ignore
    expect(segments).toBe(8);
  });

  test('forty stars, each turned and moved a little', async () => {
    const repeat = { count: 40, angle: 3, x: 1, y: 1 };
    await tried(named(combined([{ op: 'add', shape: { kind: 'star', tips: 20 }, repeat }])));
  });

  test('a path of ten thousand points', async () => {
    const point = (i: number) => {
      const [angle, r] = [(i / 10_000) * 2 * Math.PI, i % 2 ? 440 : 400];
      return `${540 + r * Math.cos(angle)} ${540 + r * Math.sin(angle)}`;
    };
    const { segments } = await tried(named({ kind: 'path', d: `M${Array.from({ length: 10_000 }, (_, i) => point(i)).join('L')}Z` })); // prettier-ignore
    expect(segments).toBe(10_000);
  });

  test.each([1e-4, 0.003, 0.05, 2])('400 circles, each moved by %d', async (step) => {
    const parts = Array.from({ length: 400 }, (_, i) => ({ op: 'add', shape: circle({ cx: 540 + i * step }) }));
    expect(await outcomeOf(named(combined(parts)))).toBe('done');
  });

  test('large parts added and cut in turns are refused with the path', async () => {
    const seal = (i: number) => ({ kind: 'seal', lobes: 40, box: { cx: 300 + i, cy: 500, width: 300, height: 300 } });
    const parts = Array.from({ length: 80 }, (_, i) => ({ op: i % 2 ? 'cut' : 'add', shape: seal(i) }));
    await expect(tried(named(combined(parts)))).rejects.toMatchObject({ code: 'shape-intricate', at: 'shape' });
  });
});

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const box = fc.record({ cx: number(-2000, 3000), cy: number(-2000, 3000), width: number(0.1, 3000), height: number(0.1, 3000), angle: number(-360, 360), mirror: fc.boolean() }); // prettier-ignore

/** Parameters at the ends of their ranges and between. */
const catalogue = fc
  .record({
    definition: fc.constantFrom(...DEFINITIONS),
    at: fc.array(number(0, 1), { minLength: 8, maxLength: 8 }),
    box,
  })
  .map(({ definition: { kind, controls, params }, at, box: place }) => {
    const fields = Object.entries(controls as Record<string, { as: string }>).flatMap(([key, { as }], i) => {
      if (as === 'choice' || as === 'corners' || as === 'text') return [];
      const schema = (params as unknown as Record<string, { unwrap: () => { minValue: number | null; maxValue: number | null } }>)[key]!.unwrap(); // prettier-ignore
      const [min, max] = [schema.minValue ?? 0, Math.min(schema.maxValue ?? 1000, 100_000)];
      const value = min + at[i]! * (max - min);
      return [[key, as === 'count' ? Math.round(value) : value]];
    });
    return { kind, box: place, ...Object.fromEntries(fields) };
  });
const path = fc
  .array(fc.tuple(fc.constantFrom('L', 'Q', 'C', 'A'), fc.array(number(-1000, 2000), { minLength: 7, maxLength: 7 })), { minLength: 2, maxLength: 400 })
  .map((strokes) => ({
    kind: 'path',
    fillRule: 'evenodd',
    d: `M0 0${strokes.map(([command, v]) => command + (command === 'A' ? `${v[0]} ${v[1]} ${v[2]} ${Number(v[3]! > 0)} ${Number(v[4]! > 0)} ${v[5]} ${v[6]}` : v.slice(0, { L: 2, Q: 4, C: 6 }[command as 'L'])).toString()).join('')}Z`,
  })); // prettier-ignore
const repeat = fc.record({ count: fc.integer({ min: 1, max: 120 }), angle: number(-360, 360), scale: number(0.9, 1.1), x: number(-50, 50), y: number(-50, 50) }); // prettier-ignore
const { shape } = fc.letrec<{ shape: object }>((tie) => ({
  shape: fc.oneof(
    { depthSize: 'small', maxDepth: 5 },
    catalogue,
    path,
    fc
      .array(fc.record({ op: fc.constantFrom('add', 'cut', 'overlap'), repeat, shape: tie('shape') }), { minLength: 1, maxLength: 40 })
      .map((parts) => ({ kind: 'combined', parts })),
  ),
})); // prettier-ignore
const template = fc.record({
  shape,
  edge: fc.record({ rounding: number(0, 400), feather: number(0, 400), featherSide: fc.constantFrom('inside', 'centre', 'outside') }), // prettier-ignore
  borders: fc.array(fc.record({ width: number(0, 300), align: fc.constantFrom('inside', 'centre', 'outside'), gap: number(0, 200), join: fc.constantFrom('round', 'miter', 'bevel') }), { maxLength: 16 }), // prettier-ignore
  shadows: fc.array(fc.record({ x: number(-500, 500), y: number(-500, 500), blur: number(0, 1000), spread: number(-300, 300) }), { maxLength: 16 }), // prettier-ignore
});

test('whatever is within the schema’s limits is read and compiled within its budget, or refused with a sentence', async () => {
  const taken = new Set<string>();
  await fc.assert(
    fc.asyncProperty(template, async (fields) => {
      const code = await outcomeOf({ wobrel: 1, name: 'T', ...fields });
      expect(['done', 'shape-intricate', 'template-invalid', 'path-invalid']).toContain(code);
      taken.add(code);
    }),
    { numRuns: 30 },
  );
  // A test in which all is refused would say nothing.
  expect(taken.has('done')).toBe(true);
}, 600_000);
