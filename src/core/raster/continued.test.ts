import fc from 'fast-check';
import { continued } from './continued';
import { resample, type Outside } from './resample';
import { seededBytes } from '../testing/photos';

const opaque = (bytes: Uint8Array) => bytes.map((v, i) => (i % 4 === 3 ? 255 : v));

test('shows what resampling by whole pixels shows, wherever the photo lies in the window', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -20, max: 20 }),
      fc.integer({ min: -20, max: 20 }),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 1, max: 40 }),
      fc.constantFrom<Outside>({ kind: 'smear' }, { kind: 'ground', colour: [10, 200, 90] }),
      (left, top, width, height, outside) => {
        const window = { left: 3, top: -2, width: 30, height: 26 };
        const rect = { left, top, width, height };
        const part = {
          left: Math.max(left, window.left),
          top: Math.max(top, window.top),
          width: Math.min(left + width, window.left + window.width) - Math.max(left, window.left),
          height: Math.min(top + height, window.top + window.height) - Math.max(top, window.top),
        };
        fc.pre(part.width > 0 && part.height > 0);
        const whole = opaque(seededBytes(width * height * 4, 5));
        const data = new Uint8Array(part.width * part.height * 4);
        for (let y = 0; y < part.height; y++) {
          const from = ((part.top - top + y) * width + part.left - left) * 4;
          data.set(whole.subarray(from, from + part.width * 4), y * part.width * 4);
        }
        const out = continued(data, part, rect, window, outside as never);
        const theirs = resample(
          { data: whole, part: { left: 0, top: 0, width, height }, width, height },
          window,
          [1, 0, 0, 1, -left, -top],
          outside,
        );
        expect(out.every((v, i) => Math.abs(v - theirs[i]!) <= 1)).toBe(true);
      },
    ),
    { numRuns: 300 },
  );
});
