import fc from 'fast-check';
import { overlap } from './boxes';
import { cleaned, closed, filled, grown, opened, otsu, partsOf, reachedFromRim } from './masks';

/** A mask drawn with dots and crosses. */
function drawn(...rows: string[]) {
  const mask = Uint8Array.from(rows.join(''), (c) => (c === 'x' ? 1 : 0));
  return [mask, { width: rows[0]!.length, height: rows.length }] as const;
}
const shown = (mask: Uint8Array, width: number) =>
  Array.from({ length: mask.length / width }, (_, y) =>
    Array.from(mask.subarray(y * width, (y + 1) * width), (v) => (v ? 'x' : '.')).join(''),
  );

const [spoon, size] = drawn('.........', '.xxxx....', '.xxxxxxx.', '.xxxx....', '.........', '......x..', '.........');

test('opening takes specks and thin ends away; cleaning leaves ends up to two pixels', () => {
  expect(shown(opened(spoon, size, 1), 9)).toEqual(['.........', '.xxxx....', '.xxxx....', '.xxxx....', '.........', '.........', '.........']); // prettier-ignore
  expect(shown(cleaned(spoon, size), 9)).toEqual(['.........', '.xxxx....', '.xxxxxx..', '.xxxx....', '.........', '.........', '.........']); // prettier-ignore
});

test('a ring with a gap is closed and filled; one with a wider gap is only left as it is', () => {
  const [ring, at] = drawn(
    '.............',
    '.............',
    '.............',
    '...xxxxxxx...',
    '...x.....x...',
    '...x.....x...',
    '...x.........',
    '...x.....x...',
    '...xxxxxxx...',
    '.............',
    '.............',
    '.............',
  );
  expect(shown(closed(ring, at, 1), 13)[5]).toBe('...xxxxxxx...');
  expect(filled(ring, at).reduce((n, v) => n + v, 0)).toBe(ring.reduce((n, v) => n + v, 0));
});

const masks = fc
  .tuple(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 2, max: 12 }))
  .chain(([width, height]) =>
    fc.tuple(
      fc.uint8Array({ minLength: width * height, maxLength: width * height, max: 1 }),
      fc.constant({ width, height }),
    ),
  );

test('opening, cleaning, the mask, closing and growing hold each other, in this order', () => {
  fc.assert(
    fc.property(masks, ([mask, at]) => {
      const rising = [opened(mask, at, 1), cleaned(mask, at), mask, closed(mask, at, 1)];
      for (let k = 1; k < rising.length; k++) expect(rising[k]!.every((v, i) => v >= rising[k - 1]![i]!)).toBe(true);
      expect(grown(mask, at).every((v, i) => v >= mask[i]!)).toBe(true);
    }),
  );
});

test('every pixel of a mask is in exactly one part, and parts do not touch by their sides', () => {
  fc.assert(
    fc.property(masks, ([mask, at]) => {
      const owner = new Int32Array(mask.length).fill(-1);
      partsOf(mask, at).forEach(({ pixels, box: [l, t, r, b] }, k) => {
        for (const i of pixels) {
          expect(owner[i]).toBe(-1);
          owner[i] = k;
          const [x, y] = [i % at.width, Math.floor(i / at.width)];
          expect(x >= l && x < r && y >= t && y < b).toBe(true);
        }
      });
      owner.forEach((k, i) => {
        expect(k >= 0).toBe(mask[i] === 1);
        if (k >= 0 && (i + 1) % at.width > 0 && mask[i + 1] === 1) expect(owner[i + 1]).toBe(k);
        if (k >= 0 && i + at.width < mask.length && mask[i + at.width] === 1) expect(owner[i + at.width]).toBe(k);
      });
    }),
  );
});

test('what the rim reaches is empty, and nothing empty beside it is left out', () => {
  fc.assert(
    fc.property(masks, ([mask, at]) => {
      const outside = reachedFromRim(mask, at);
      outside.forEach((v, i) => {
        if (v === 1) expect(mask[i]).toBe(0);
        const right = i + 1;
        if (v === 1 && right % at.width > 0 && mask[right] === 0) expect(outside[right]).toBe(1);
      });
    }),
  );
});

test('Otsu’s threshold lies between two groups and tells how well it parts them', () => {
  const groups = Float32Array.from({ length: 400 }, (_, i) => (i % 4 === 0 ? 9 + (i % 3) * 0.1 : 1 + (i % 5) * 0.1));
  const { threshold, parted } = otsu(groups, 10);
  expect(threshold).toBeGreaterThan(1.4);
  expect(threshold).toBeLessThan(9);
  expect(parted).toBeGreaterThan(0.99);
  expect(
    otsu(
      Float32Array.from({ length: 1000 }, (_, i) => i / 100),
      10,
    ).parted,
  ).toBeCloseTo(0.75, 1);
});

test('boxes overlap by their common area over that of both', () => {
  expect(overlap([0, 0, 2, 2], [1, 1, 2, 2])).toBeCloseTo(1 / 7);
  expect(overlap([0, 0, 2, 2], [0, 0, 2, 2])).toBe(1);
  expect(overlap([0, 0, 2, 2], [3, 0, 2, 2])).toBe(0);
});
