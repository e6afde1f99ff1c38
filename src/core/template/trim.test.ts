import fc from 'fast-check';
import { parseTemplate } from '.';
import { keptPart } from './trim';

const inked = { left: 10, top: 20, width: 60, height: 30 };

test.each([
  [false, null],
  [true, inked],
  [{ room: 0, square: false }, inked],
  [
    { room: 4, square: false },
    { left: 2, top: 12, width: 76, height: 46 },
  ],
  [
    { room: 0, square: true },
    { left: 10, top: 5, width: 60, height: 60 },
  ],
  [
    { room: 20, square: true },
    { left: -30, top: -35, width: 140, height: 140 },
  ],
])('%j keeps %j', (trim, kept) => expect(keptPart(inked, trim, 2)).toEqual(kept));

test('nothing to see is not trimmed', () => {
  expect(keptPart(null, true, 1)).toBeNull();
  expect(keptPart({ ...inked, width: 0 }, { room: 5, square: true }, 1)).toBeNull();
});

test('whatever room there is, all that is inked is kept, in its middle within half a pixel', () => {
  const side = fc.integer({ min: 1, max: 500 });
  fc.assert(
    fc.property(side, side, fc.float({ min: 0, max: 50, noNaN: true }), fc.boolean(), (width, height, room, square) => {
      const part = { left: 7, top: 9, width, height };
      const kept = keptPart(part, { room, square }, 1.5)!;
      expect(kept.left).toBeLessThanOrEqual(7);
      expect(kept.left + kept.width).toBeGreaterThanOrEqual(7 + width);
      expect(Math.abs(kept.left + kept.width / 2 - (7 + width / 2))).toBeLessThanOrEqual(0.5);
      expect(Math.abs(kept.top + kept.height / 2 - (9 + height / 2))).toBeLessThanOrEqual(0.5);
      if (square) expect(kept.width).toBe(kept.height);
    }),
  );
});

test('room that makes a file too large is refused with its path', () => {
  const withTrim = (trim: object) => () => parseTemplate({ wobrel: 1, name: 'T', outputs: [{ width: 4000, trim }] });
  expect(withTrim({ room: 100_000 })).toThrow(/^outputs\[0\]\.trim: /);
  expect(withTrim({ room: 100 })).not.toThrow();
});
