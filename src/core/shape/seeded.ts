/** Numbers by lot that are the same everywhere. */

/** `count` numbers in 0…1 from a seed (mulberry32, public domain): whole-number arithmetic only, so no engine differs. */
export function seededShares(seed: number, count: number): number[] {
  let state = (seed + 0x6d2b79f5) | 0;
  return Array.from({ length: count }, () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  });
}
