import fc from 'fast-check';
import { readLength, type LengthContext } from './length-text';

const context: LengthContext = { value: 100, unit: 'px', ppi: 96, whole: 1080, signed: false };
const read = (text: string, more: Partial<LengthContext> = {}) => readLength(text, { ...context, ...more });

test.each([
  ['110', 110],
  ['110 px', 110],
  ['1080/2', 540],
  ['2 * (30 + 5)', 70],
  ['50%', 540],
  ['12,5', 12.5],
  ['.5', 0.5],
  ['1 in', 96],
  ['25.4mm', 96],
  ['72 pt + 2.54 cm', 192],
  ['+300', 400],
  ['-30', 70],
  ['*2', 200],
  ['/4', 25],
  ['10 - -2', 12],
  ['100% - 2 * 40', 1000],
])('%s is %d', (text, value) => {
  expect(read(text)).toBeCloseTo(value, 9);
});

test('a number without a unit is in the frame’s own, and 110 mm stay 110 in a frame of mm', () => {
  expect(read('110 mm', { unit: 'mm', ppi: 300 })).toBe(110);
  expect(read('300 px', { unit: 'mm', ppi: 300 })).toBeCloseTo(25.4, 9);
});

test('a minus takes off where lengths can’t be negative, else it is the sign', () => {
  expect([read('-30'), read('-30', { signed: true }), read('+30', { signed: true })]).toEqual([70, -30, 130]);
});

test.each(['', 'wide', '3 x 4', '1/0', '(3', '3)', '2 furlongs', '5 +', '* ', '1 2'])('%j makes no number', (text) => {
  expect(read(text)).toBeNull();
});

test('sums and products mean what arithmetic means', () => {
  const n = fc.integer({ min: 1, max: 999 });
  fc.assert(
    fc.property(n, n, n, (a, b, c) => {
      expect(read(`${a} + ${b} * ${c}`)).toBe(a + b * c);
      expect(read(`(${a} + ${b}) / ${c}`)).toBeCloseTo((a + b) / c, 9);
      expect(read(`${a} - ${b} - ${c}`)).toBe(a - b - c);
    }),
  );
});
