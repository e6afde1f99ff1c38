/** CSS hex colours. */
import { parseHex } from 'culori/fn';
import { z } from 'zod';

/** Straight sRGB colour, every channel 0…1. */
export type Rgba = { readonly r: number; readonly g: number; readonly b: number; readonly alpha: number };

const HEX = /^#(?:[0-9a-f]{3}|[0-9a-f]{4}|[0-9a-f]{6}|[0-9a-f]{8})$/i;

export const colourSchema = z
  .string()
  .regex(HEX, { error: 'expected a CSS hex colour such as #24594f or #24594f80' })
  .meta({ description: 'CSS hex colour: #rgb, #rgba, #rrggbb or #rrggbbaa' });

/** Reads a CSS hex colour (CSS Color 4 §5.2). The string must match `colourSchema`. */
export function parseColour(hex: string): Rgba {
  const colour = parseHex(hex);
  if (!colour) throw new RangeError(`not a CSS hex colour: ${hex}`);
  return { r: colour.r, g: colour.g, b: colour.b, alpha: colour.alpha ?? 1 };
}
