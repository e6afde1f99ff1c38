/** Memory for masks. */

/** So many shares, all 0. */
export type Room = (length: number) => Float32Array;

/** Memory of its own for every mask. */
export const newRoom: Room = (length) => new Float32Array(length);

/** One memory for masks that are made one after the other: each holds until the next. */
export function sameRoom(): Room {
  let memory = new Float32Array(0);
  return (length) => {
    if (memory.length < length) return (memory = new Float32Array(length));
    return memory.subarray(0, length).fill(0);
  };
}
