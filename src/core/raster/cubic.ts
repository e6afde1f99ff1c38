/** Keys' cubic between pixels, with a = −1/2 (Keys 1981, "Cubic convolution interpolation"). */

/** Weights of the four pixels around a place that lies `t` (0…1) beyond the second of them, from `at` on. */
export function cubicWeights(t: number, out: Float64Array, at = 0): void {
  out[at] = ((-0.5 * t + 1) * t - 0.5) * t;
  out[at + 1] = (1.5 * t - 2.5) * t * t + 1;
  out[at + 2] = ((-1.5 * t + 2) * t + 0.5) * t;
  out[at + 3] = (0.5 * t - 0.5) * t * t;
}
