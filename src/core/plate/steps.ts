/** Numbers 0…1 as 0…65535, as fields of places hold them. */

const stepOf = (v: number): number => (v >= 1 ? 65535 : v > 0 ? v * 65535 + 0.5 : 0);

/** One after the other. */
export function inSteps(values: Float32Array): Uint16Array<ArrayBuffer> {
  const out = new Uint16Array(values.length);
  for (let i = 0; i < values.length; i++) out[i] = stepOf(values[i]!);
  return out;
}

/** Each in its place of so many; 0 in all others. */
export function inPlaces(values: Float32Array, places: Int32Array, count: number): Uint16Array<ArrayBuffer> {
  const out = new Uint16Array(count);
  for (let i = 0; i < values.length; i++) out[places[i]!] = stepOf(values[i]!);
  return out;
}
