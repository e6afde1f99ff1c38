/** Numbers in memory that grows with them. */

/** A plain list of many millions would take several times as much. */
export type Growing<A extends Int32Array | Float32Array> = {
  values: A;
  length: number;
  readonly make: (length: number) => A;
};

export function growing<A extends Int32Array | Float32Array>(make: (length: number) => A): Growing<A> {
  return { values: make(1024), length: 0, make };
}

/** Where so many more begin: whoever asks writes them there, since a number that is handed on is boxed. */
export function roomFor<A extends Int32Array | Float32Array>(list: Growing<A>, count: number): number {
  const at = list.length;
  list.length = at + count;
  if (list.length > list.values.length) {
    const larger = list.make(Math.max(list.values.length * 2, list.length));
    larger.set(list.values);
    list.values = larger;
  }
  return at;
}

/** As long as what was written. */
export const sizedTo = <A extends Int32Array | Float32Array>({ values, length }: Growing<A>) =>
  values.slice(0, length) as A;
