/** The cutout mirrored below itself. */
import { drawnNoise, firstUnlike, noiseOn, squareTemplate } from '../testing/drawn';
import { compile, compose } from '.';

const SIDE = 200;
const box = { cx: 100, cy: 60, width: 100, height: 100 };
const tile = { shape: { kind: 'rectangle', box } };
const BOTTOM = 110;

test('each row shows the one as far above the line, fading evenly from its strength to nothing', () => {
  const reflection = { gap: 6, length: 0.4, opacity: 0.5 };
  const { at } = drawnNoise(squareTemplate(SIDE, { ...tile, reflection }), SIDE);
  const begin = BOTTOM + reflection.gap;
  for (let y = begin; y < SIDE; y++) {
    const share = reflection.opacity * Math.max(0, 1 - (y + 0.5 - begin) / 40);
    for (const x of [50, 77, 149]) {
      const [r, g, b, alpha] = at(x, y);
      expect(Math.abs(alpha! - share * 255)).toBeLessThanOrEqual(0.51);
      if (alpha! > 0) expect([r, g, b]).toEqual(at(x, BOTTOM - 1 - (y - begin)).slice(0, 3));
    }
    expect(at(49, y)[3]).toBe(0);
  }
});

test('borders are mirrored with the photo, shadows and the backdrop are not', () => {
  const fields = {
    ...tile,
    backdrop: '#0000ff',
    borders: [{ width: 10, align: 'outside', paint: '#ff0000', join: 'miter' }],
    shadows: [{ y: 0, blur: 20, color: '#00ff00', opacity: 1 }],
    reflection: { opacity: 1, length: 1 },
  };
  const { at } = drawnNoise(squareTemplate(SIDE, fields), SIDE);
  // 120 is where the border ends: below it the border again, then the photo, more faintly each row.
  const [r, g, b] = at(100, 122);
  expect(r).toBeGreaterThan(g! + 100);
  expect(r).toBeGreaterThan(b! + 100);
  // Beside the mirror image there is what would be there without it.
  const without = drawnNoise(squareTemplate(SIDE, { ...fields, reflection: null }), SIDE);
  expect(at(20, 150)).toEqual(without.at(20, 150));
});

test('off, or beyond the picture, it changes nothing', () => {
  const plain = drawnNoise(squareTemplate(SIDE, tile), SIDE).out;
  expect(firstUnlike(drawnNoise(squareTemplate(SIDE, { ...tile, reflection: { on: false } }), SIDE).out, plain)).toBe(
    -1,
  );
  expect(firstUnlike(drawnNoise(squareTemplate(SIDE, { ...tile, reflection: { gap: 500 } }), SIDE).out, plain)).toBe(
    -1,
  );
});

test('the alpha is the same for every photo, and a photo with holes has them in its mirror image, too', () => {
  const template = squareTemplate(SIDE, { ...tile, edge: { feather: 9, featherSide: 'outside' }, reflection: {} });
  const alpha = (seed: number) => drawnNoise(template, 173, seed).out.filter((_, i) => i % 4 === 3);
  expect(alpha(1)).toEqual(alpha(2));
  const plate = compile(template, SIDE, null, true);
  const noise = noiseOn(plate, 3);
  const holed = noise.data.map((v, i) => (i % 4 === 3 ? 0 : v));
  const nothing = compose(plate, { ...noise, data: holed, opaque: false });
  expect(nothing.filter((_, i) => i % 4 === 3).every((v) => v === 0)).toBe(true);
});

test.each(['behind', 'before'] as const)(
  'echoes %s it are mirrored with it: the image begins below the lowest of them',
  (lies) => {
    const echo = { count: 1, scale: 1, angle: 0, x: 30, y: 10, keeps: 1, lies };
    const borders = [{ width: 6, align: 'outside', paint: '#ff0000', join: 'miter', echo }];
    const template = squareTemplate(SIDE, { ...tile, borders, reflection: { gap: 0, length: 1, opacity: 1 } });
    const { at } = drawnNoise(template, SIDE);
    // The border ends at 116, its echo at 126.
    const line = 126;
    for (const [x, up] of [
      [183, 20],
      [160, 3],
      [100, 3],
      [100, 30],
      [60, 14],
    ] as const) {
      const [above, below] = [at(x, line - 1 - up), at(x, line + up)];
      const share = 1 - (up + 0.5) / 122;
      expect(Math.abs(below[3]! - above[3]! * share)).toBeLessThanOrEqual(1);
      if (below[3]! > 0) for (let c = 0; c < 3; c++) expect(Math.abs(below[c]! - above[c]!)).toBeLessThanOrEqual(1);
    }
    expect(at(183, line + 20)[3]).toBeGreaterThan(150);
  },
);
