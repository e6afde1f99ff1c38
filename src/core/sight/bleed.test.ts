/** Colour that ran out over the ground, as JPEG's blocks make it, and what only looks like that. */
import { mostAround, withoutBleed } from './bleed';
import type { Mask } from './masks';

const size = { width: 80, height: 60 };

/** A picture's numbers, by place. */
const values = (at: (x: number, y: number) => number) =>
  Float32Array.from({ length: size.width * size.height }, (_, i) => at(i % size.width, Math.floor(i / size.width)));

const boxOf = (mask: Mask) => {
  const on = [...mask.keys()].filter((i) => mask[i] === 1);
  const [xs, ys] = [on.map((i) => i % size.width), on.map((i) => Math.floor(i / size.width))];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs) + 1, Math.max(...ys) + 1];
};

/** A dark thing, and a band of its colour to the left of it. */
const isThing = (x: number, y: number) => x >= 30 && x < 55 && y >= 15 && y < 45;
const isBand = (x: number, y: number) => x >= 22 && x < 30 && y >= 15 && y < 45;
const mask = Uint8Array.from(values((x, y) => (isThing(x, y) || isBand(x, y) ? 1 : 0)));

const seen = (band: { readonly unlike: number; readonly lighter: number }) => ({
  unshaded: values((x, y) => (isThing(x, y) ? 40 : isBand(x, y) ? band.unlike : 0)),
  lighter: values((x, y) => (isThing(x, y) ? -50 : isBand(x, y) ? band.lighter : 0)),
  seen: new Float32Array(0),
});

test('a band of a thing’s colour, as light as the ground, is no part of it', () => {
  expect(boxOf(withoutBleed(mask, seen({ unlike: 4, lighter: 0.4 }), size))).toEqual([30, 15, 55, 45]);
});

test.each([
  ['it ends in a step of lightness', { unlike: 4, lighter: 1.9 }],
  ['it is darker than the ground', { unlike: 4, lighter: -5 }],
  ['its colour is as strong as the thing’s', { unlike: 25, lighter: 0.4 }],
])('the same band is part of it where %s', (_, band) => {
  expect(withoutBleed(mask, seen(band), size)).toBe(mask);
});

test('pale colour far from all that is firmly lighter or darker stays', () => {
  const pale = values((x, y) => (isThing(x, y) ? 4 : 0));
  const tones = { unshaded: pale, lighter: values(() => 0), seen: new Float32Array(0) };
  expect(withoutBleed(mask, tones, size)).toBe(mask);
});

test('the most around each pixel is that of its square', () => {
  const some = values((x, y) => ((x * 7919 + y * 104_729) % 1009) / 7);
  for (const reach of [0, 1, 5, 13, 40]) {
    const most = mostAround(some, size, reach);
    for (const [x, y] of [
      [0, 0],
      [79, 59],
      [3, 50],
      [40, 30],
      [66, 1],
      [12, 12],
    ] as const) {
      let own = 0;
      for (let v = Math.max(0, y - reach); v <= Math.min(59, y + reach); v++)
        for (let u = Math.max(0, x - reach); u <= Math.min(79, x + reach); u++)
          own = Math.max(own, some[v * size.width + u]!);
      expect(most[y * size.width + x]).toBe(own);
    }
  }
});
