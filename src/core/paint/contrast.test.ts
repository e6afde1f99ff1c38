import { wcagContrast, wcagLuminance } from 'culori';
import fc from 'fast-check';
import { parseColour } from './colour';
import { contrastRatio, relativeLuminance } from './contrast';

test('black on white is 21 : 1, a colour on itself 1 : 1 (WCAG 2.2, "contrast ratio")', () => {
  expect(contrastRatio(parseColour('#000'), parseColour('#fff'))).toBeCloseTo(21, 10);
  expect(contrastRatio(parseColour('#24594f'), parseColour('#24594f'))).toBe(1);
});

test('#767676 on white is the lightest grey that passes 4.5 : 1, #949494 passes 3 : 1 (common examples for WCAG 2)', () => {
  const onWhite = (hex: string) => contrastRatio(parseColour(hex), parseColour('#fff'));
  expect(onWhite('#767676')).toBeGreaterThanOrEqual(4.5);
  expect(onWhite('#777777')).toBeLessThan(4.5);
  expect(onWhite('#949494')).toBeGreaterThanOrEqual(3);
  expect(onWhite('#959595')).toBeLessThan(3);
});

test('agrees with culori on any two colours', () => {
  const hex = fc.integer({ min: 0, max: 0xffffff }).map((v) => `#${v.toString(16).padStart(6, '0')}`);
  fc.assert(
    fc.property(hex, hex, (a, b) => {
      expect(relativeLuminance(parseColour(a))).toBeCloseTo(wcagLuminance(a), 4);
      expect(contrastRatio(parseColour(a), parseColour(b))).toBeCloseTo(wcagContrast(a, b), 2);
    }),
  );
});
