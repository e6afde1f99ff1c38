import { filtersSchema, isPerChannel, matricesOf, NO_FILTERS } from './filters';
import { mixRow } from './kernel';

/** One colour through filters, 0…1. */
function filtered(fields: object, colour: readonly [number, number, number]): number[] {
  const row = Float32Array.from(colour);
  for (const matrix of matricesOf(filtersSchema.parse(fields))) mixRow(matrix, row, 1);
  return [...row].map((v) => Math.round(v * 1e4) / 1e4);
}
const [RED, WHITE, GREY] = [[1, 0, 0], [1, 1, 1], [0.5, 0.5, 0.5]] as const; // prettier-ignore

test('without filters nothing is done', () => {
  expect(matricesOf(NO_FILTERS)).toEqual([]);
  expect(matricesOf(filtersSchema.parse({ hueRotate: 720 }))).toEqual([]);
});

/** The matrices of Filter Effects 1 §13.1.1 (saturate), §13.1.2 (hue-rotate), and of its shorthands for grayscale and sepia. */
test.each([
  [{ brightness: 0.5 }, [0.8, 0.4, 0.2], [0.4, 0.2, 0.1]],
  [{ brightness: 2 }, [0.8, 0.4, 0.2], [1, 0.8, 0.4]],
  [{ contrast: 0 }, RED, [0.5, 0.5, 0.5]],
  [{ contrast: 2 }, [0.75, 0.5, 0.1], [1, 0.5, 0]],
  [{ saturate: 0 }, RED, [0.213, 0.213, 0.213]],
  [{ grayscale: 1 }, RED, [0.2126, 0.2126, 0.2126]],
  [{ grayscale: 0.5 }, RED, [0.6063, 0.1063, 0.1063]],
  [{ sepia: 1 }, GREY, [0.6755, 0.6015, 0.4685]],
  [{ sepia: 1 }, WHITE, [1, 1, 0.937]],
  [{ hueRotate: 180 }, RED, [0, 0.426, 0.426]],
  [{ hueRotate: 90 }, GREY, [0.5, 0.5, 0.5]],
  // Luma 0.2126 between the two colours.
  [{ recolour: { dark: '#000000', light: '#ff8000' } }, RED, [0.2126, 0.1067, 0]],
  [{ recolour: { dark: '#000000', light: '#ffffff', strength: 0.5 } }, RED, [0.6063, 0.1063, 0.1063]],
] as const)('%j of %j is %j', (fields, colour, wanted) => {
  expect(filtered(fields, colour)).toEqual(wanted);
});

test('they are applied in their order, clamped after each', () => {
  // Brightness 4 clips before contrast 0.5 brings it back: 0.4 → 1 → 0.75.
  expect(filtered({ contrast: 0.5, brightness: 4 }, [0.4, 0.4, 0.4])).toEqual([0.75, 0.75, 0.75]);
});

test('what goes by each channel alone is known as such', () => {
  const matrices = matricesOf(filtersSchema.parse({ brightness: 1.3, contrast: 0.7, sepia: 0.2 }));
  expect(matrices.map(isPerChannel)).toEqual([true, true, false]);
});
