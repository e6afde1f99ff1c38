import fc from 'fast-check';
import { parseTemplate } from '../template';
import { betweenFingers, caughtBy, movedBy, scaledAbout, scaledBy } from './by-hand';
import { placer, spotOf } from './place';
import { inPhoto } from './placement';

const template = parseTemplate({ wobrel: 1, name: 'T', centring: { gap: 'leave' } });
const { box } = template.shape;
const photo = { width: 3000, height: 2000, hasAlpha: false };
const place = placer(template);
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const adjustments = fc.record({
  x: number(-0.5, 0.5),
  y: number(-0.5, 0.5),
  scale: number(0.2, 5),
  angle: number(-180, 180),
});

test('scaled about a place, the photo’s pixel there stays there, however it is turned', () => {
  fc.assert(
    fc.property(adjustments, number(0.5, 2), number(100, 900), number(100, 900), (from, k, x, y) => {
      const before = inPhoto(place({ ...photo, adjustment: from }), photo, [x, y]);
      const adjustment = scaledAbout(from, k, [x, y], spotOf(template), box);
      const after = inPhoto(place({ ...photo, adjustment }), photo, [x, y]);
      expect(Math.hypot(after[0] - before[0], after[1] - before[1])).toBeLessThan(1e-6);
    }),
  );
});

test('at the end of the range the place still stays, and the scale does not go on', () => {
  const from = { x: 0.1, y: 0, scale: 90, angle: 0 };
  const adjustment = scaledAbout(from, 4, [300, 400], spotOf(template), box);
  expect(adjustment.scale).toBe(100);
  const [a, b] = [from, adjustment].map((one) => inPhoto(place({ ...photo, adjustment: one }), photo, [300, 400]));
  expect(a![0]).toBeCloseTo(b![0], 6);
});

test('moved by frame units, the photo moves by just those', () => {
  fc.assert(
    fc.property(adjustments, number(-300, 300), number(-300, 300), (from, dx, dy) => {
      const [a, b] = [from, movedBy(from, box, [dx, dy])].map((adjustment) => place({ ...photo, adjustment }));
      expect([b!.x - a!.x, b!.y - a!.y]).toEqual([expect.closeTo(dx, 6), expect.closeTo(dy, 6)]);
    }),
  );
});

test('scaled there and back is as before', () => {
  fc.assert(
    fc.property(adjustments, number(0.5, 2), (from, k) => {
      const back = scaledBy(scaledBy(from, k), 1 / k);
      for (const key of ['x', 'y', 'scale', 'angle'] as const) expect(back[key]).toBeCloseTo(from[key], 9);
    }),
  );
});

test('what comes near the spot is caught by it, on each axis alone', () => {
  expect(caughtBy([540, 500], [543, 520], 8)).toEqual([-3, 0]);
  expect(caughtBy([540, 500], [560, 495], 8)).toEqual([0, 5]);
});

test('two fingers that part twice as far scale by two; they turn by the shorter way round', () => {
  expect(betweenFingers([100, 10], [200, 10])).toEqual({ scale: 2, turn: 0 });
  expect(betweenFingers([100, 179], [100, -179]).turn).toBe(2);
  expect(betweenFingers([100, -170], [50, 170])).toEqual({ scale: 0.5, turn: -20 });
});
