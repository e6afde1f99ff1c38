/** Contrast of colours by WCAG 2.2. */
import type { Rgba } from './colour';

/** Relative luminance (WCAG 2.2, "relative luminance"): linear sRGB weighed by 0.2126, 0.7152, 0.0722. */
export function relativeLuminance({ r, g, b }: Rgba): number {
  const linear = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

/** (L1 + 0.05) / (L2 + 0.05), the lighter one first (WCAG 2.2, "contrast ratio"): 1 to 21. Alpha is left out. */
export function contrastRatio(a: Rgba, b: Rgba): number {
  const [x, y] = [relativeLuminance(a), relativeLuminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}
