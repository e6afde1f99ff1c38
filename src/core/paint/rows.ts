/** Rows of a paint's colours. */
import { fillPlaces, type Places } from './places';
import { RAMP_STEPS, type Ramp } from './ramp';

/** A paint ready for use: its colours, and where on them each pixel is. */
export type PaintRows = { readonly ramp: Ramp; readonly places: Places };

/**
 * The colours of `n` pixels of row `y` from column `x` on.
 *
 * @param at scratch of n
 * @param out n times r, g, b straight and alpha, 0…1
 */
export function fillPaint(
  { ramp, places }: PaintRows,
  x: number,
  y: number,
  n: number,
  at: Float32Array,
  out: Float32Array,
): void {
  if (places.kind === 'flat') {
    for (let q = 0; q < n * 4; q++) out[q] = ramp[q & 3]!;
    return;
  }
  fillPlaces(places, x, y, n, at);
  for (let i = 0, q = 0; i < n; i++, q += 4) {
    const t = at[i]!;
    const k = (t <= 0 ? 0 : t >= 1 ? RAMP_STEPS : (t * RAMP_STEPS + 0.5) | 0) * 4;
    out[q] = ramp[k]!;
    out[q + 1] = ramp[k + 1]!;
    out[q + 2] = ramp[k + 2]!;
    out[q + 3] = ramp[k + 3]!;
  }
}
