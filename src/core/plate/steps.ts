/** Numbers 0…1 as 0…65535, as fields of places hold them; what is no number, or below, is 0. */
export function inSteps(values: Float32Array): Uint16Array<ArrayBuffer> {
  const out = new Uint16Array(values.length);
  for (let i = 0; i < values.length; i++) {
    const v = values[i]!;
    out[i] = v >= 1 ? 65535 : v > 0 ? v * 65535 + 0.5 : 0;
  }
  return out;
}
