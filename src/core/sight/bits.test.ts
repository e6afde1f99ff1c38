import fc from 'fast-check';
import { common, inverse, narrowed, packed, unpacked, widened } from './bits';

/** Wider than one number, than two, and exactly as wide. */
const masks = fc
  .tuple(fc.constantFrom(1, 2, 5, 31, 32, 33, 63, 64, 65, 70), fc.integer({ min: 1, max: 6 }))
  .chain(([width, height]) =>
    fc.tuple(
      fc.uint8Array({ minLength: width * height, maxLength: width * height, max: 1 }),
      fc.constant({ width, height }),
    ),
  );

type Size = { readonly width: number; readonly height: number };

/** The most or the least of each pixel's 3 × 3 neighbourhood within the picture, by its definition. */
const around = (mask: Uint8Array, { width, height }: Size, of: (...values: number[]) => number) =>
  mask.map((_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    const [xs, ys] = [[x - 1, x, x + 1].filter((u) => u >= 0 && u < width), [y - 1, y, y + 1].filter((v) => v >= 0 && v < height)]; // prettier-ignore
    return of(...ys.flatMap((v) => xs.map((u) => mask[v * width + u]!)));
  });

test('a mask is the same again after packing', () => {
  fc.assert(fc.property(masks, ([mask, size]) => expect(unpacked(packed(mask, size))).toEqual(mask)));
});

test('wider and narrower masks are the most and the least of each pixel’s neighbourhood, across the ends of numbers too', () => {
  fc.assert(
    fc.property(masks, ([mask, size]) => {
      expect(unpacked(widened(packed(mask, size)))).toEqual(around(mask, size, Math.max));
      expect(unpacked(narrowed(packed(mask, size)))).toEqual(around(mask, size, Math.min));
    }),
  );
});

test('nothing lies beyond the end of a row, whatever is done', () => {
  fc.assert(
    fc.property(masks, ([mask, size]) => {
      const bits = packed(mask, size);
      for (const done of [widened(bits), inverse(bits), narrowed(bits), common(bits, widened(bits))])
        expect(packed(unpacked(done), size).words).toEqual(done.words);
    }),
  );
});
