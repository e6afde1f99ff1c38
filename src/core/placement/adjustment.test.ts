import fc from 'fast-check';
import { adjustmentSchema, heldAdjustment } from './adjustment';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyAdjustment = fc.record({ x: number(-1e9, 1e9), y: number(-1e9, 1e9), scale: number(0, 1e9), angle: number(-1e5, 1e5) }); // prettier-ignore

test('whatever hands do, what is held can be kept, and lies turned as it was', () => {
  fc.assert(
    fc.property(anyAdjustment, (wanted) => {
      const held = heldAdjustment(wanted);
      expect(adjustmentSchema.parse(held)).toEqual(held);
      expect(Math.cos(((held.angle - wanted.angle) / 180) * Math.PI)).toBeCloseTo(1, 9);
    }),
  );
});

test('what may be kept is held as it is', () => {
  const edge = { x: -100, y: 100, scale: 0.01, angle: 360 };
  expect(heldAdjustment(edge)).toEqual(edge);
});
