/** Paints laid over each other, row by row. */
import { fillPaint, fillPlaces, type PaintRows, type Places } from '../paint';
import { ALPHA, OTHERS } from './pixel';

/** A paint ready to be laid. */
export type Coat = PaintRows & {
  /** Which of the other sources it is (`Others`), of which the ramp then only says the alpha; −1 for a paint of its own. */
  readonly pick: number;
  /** Where a border's dash covers it; null all round. */
  readonly dash: Places | null;
};

/** Lays a coat over `n` pixels in the making, of row `y` from column `x` on. */
export type Lay = (coat: Coat, x: number, y: number, n: number, out: Float32Array) => void;

export function coatLayer(width: number, channels: number): Lay {
  const [scratch, at, dash] = [new Float32Array(width), new Int32Array(width), new Float32Array(width)];
  return (coat, x, y, n, out) => {
    fillPaint(coat, x, y, n, scratch, at);
    const { ramp } = coat;
    if (coat.dash) fillPlaces(coat.dash, x, y, n, dash);
    const own = coat.pick < 0 ? 1 : 0;
    for (let i = 0, q = 0; i < n; i++, q += channels) {
      const p = at[i]!;
      const alpha = coat.dash ? ramp[p + 3]! * dash[i]! : ramp[p + 3]!;
      const rest = 1 - alpha;
      for (let c = 0; c < 3; c++) out[q + c] = ramp[p + c]! * alpha * own + out[q + c]! * rest;
      out[q + ALPHA] = alpha + out[q + ALPHA]! * rest;
      for (let c = OTHERS; c < channels; c++) out[q + c]! *= rest;
      if (coat.pick >= 0) out[q + OTHERS + coat.pick]! += alpha;
    }
  };
}
