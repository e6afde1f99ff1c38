/** Rows of a paint's colours. */
import { fillPlaces, type Places } from './places';
import { RAMP_STEPS, type Ramp } from './ramp';

/** A paint ready for use: its colours, and where on them each pixel is. */
export type PaintRows = { readonly ramp: Ramp; readonly places: Places };

/**
 * Where in the ramp the colours of `n` pixels of row `y` from column `x` on begin: r, g, b
 * straight and alpha, 0…1, each. Nothing is copied, and what is clear is seen at once.
 *
 * @param scratch of n
 * @param at n places in `ramp`
 */
export function fillPaint(
  { places }: PaintRows,
  x: number,
  y: number,
  n: number,
  scratch: Float32Array,
  at: Int32Array,
): void {
  if (places.kind === 'flat') {
    at.fill(0, 0, n);
    return;
  }
  if (places.kind === 'each') {
    const { left, top, width } = places.window;
    const from = ((y - top) * width + x - left) * 4;
    for (let i = 0; i < n; i++) at[i] = from + i * 4;
    return;
  }
  fillPlaces(places, x, y, n, scratch);
  for (let i = 0; i < n; i++) {
    const t = scratch[i]!;
    at[i] = (t <= 0 ? 0 : t >= 1 ? RAMP_STEPS : (t * RAMP_STEPS + 0.5) | 0) * 4;
  }
}
