/** Gradient stops as a table. */
import { parseColour } from './colour';
import type { Stops } from './paint';

/** Steps of a ramp: four to each of 8 bits, and few enough to stay at hand while a row is painted. */
export const RAMP_STEPS = 1024;

/** r, g, b straight and alpha, all 0…1, at `RAMP_STEPS` + 1 places from 0 to 1; one colour has a single place. */
export type Ramp = Float32Array;

/** One colour as a ramp. */
export function flatRamp(colour: string, opacity: number): Ramp {
  const { r, g, b, alpha } = parseColour(colour);
  return Float32Array.of(r, g, b, alpha * opacity);
}

/** From nothing of a colour to all of it. */
export function fadeRamp(colour: string, opacity: number): Ramp {
  const { r, g, b, alpha } = parseColour(colour);
  const ramp = new Float32Array((RAMP_STEPS + 1) * 4);
  for (let i = 0; i <= RAMP_STEPS; i++) ramp.set([r, g, b, (alpha * opacity * i) / RAMP_STEPS], i * 4);
  return ramp;
}

/** The place of each stop, none before the one that stands before it (CSS Images 3 §3.5.3). */
function sorted(stops: Stops) {
  let last = 0;
  return stops.map(([at, colour]) => ({ at: (last = Math.max(last, at)), ...parseColour(colour) }));
}

/** The stops mixed in premultiplied sRGB (CSS Images 3 §3.5.3); a hard change where two lie in one place. */
export function rampOf(stops: Stops, opacity: number): Ramp {
  const list = sorted(stops);
  const ramp = new Float32Array((RAMP_STEPS + 1) * 4);
  let k = 0;
  for (let i = 0; i <= RAMP_STEPS; i++) {
    const t = i / RAMP_STEPS;
    while (k < list.length - 1 && list[k + 1]!.at <= t) k++;
    const from = list[k]!;
    const to = list[Math.min(k + 1, list.length - 1)]!;
    const share = t <= from.at || to.at === from.at ? 0 : (t - from.at) / (to.at - from.at);
    const alpha = from.alpha + (to.alpha - from.alpha) * share;
    const mixed = (a: number, b: number) => {
      const premultiplied = a * from.alpha + (b * to.alpha - a * from.alpha) * share;
      return alpha > 0 ? premultiplied / alpha : 0;
    };
    ramp.set([mixed(from.r, to.r), mixed(from.g, to.g), mixed(from.b, to.b), alpha * opacity], i * 4);
  }
  return ramp;
}
