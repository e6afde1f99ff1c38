/** Colours of sRGB said in Display P3, whose red, green and blue reach farther. */
import { converter, formatHex, formatHex8, modeP3, modeRgb, useMode as withMode } from 'culori/fn';
import { parseColour } from './colour';

withMode(modeRgb);
withMode(modeP3);
const toP3 = converter('p3');

/** Straight r, g, b of sRGB, 0…1, as r, g, b of Display P3 (CSS Color 4 §10.3): the same colour in other numbers. */
export function rgbInDisplayP3([r, g, b]: readonly [number, number, number]): [number, number, number] {
  const wide = toP3({ mode: 'rgb', r, g, b });
  return [wide.r, wide.g, wide.b];
}

/** The same of a CSS hex colour, as near as 8 bits come. */
export function hexInDisplayP3(hex: string): string {
  const { r, g, b, alpha } = parseColour(hex);
  const [wr, wg, wb] = rgbInDisplayP3([r, g, b]);
  const numbers = { mode: 'rgb', r: wr, g: wg, b: wb, alpha } as const;
  return alpha < 1 ? formatHex8(numbers) : formatHex(numbers);
}
