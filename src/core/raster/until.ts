/** How far values stay as they are: small loops by themselves, which every pixel of a picture goes through. */

/** The first place from `from` on, before `end`, whose value is not `value`; else `end`. */
export function sameUntil(values: Float32Array, value: number, from: number, end: number): number {
  let i = from;
  while (i < end && values[i] === value) i++;
  return i;
}

/** The first place from `from` on, before `end`, whose value is `value`; else `end`. */
export function otherUntil(values: Float32Array, value: number, from: number, end: number): number {
  let i = from;
  while (i < end && values[i] !== value) i++;
  return i;
}
