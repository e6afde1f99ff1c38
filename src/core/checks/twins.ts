/** Photos that look the same. */
import { cellNumbers, hashBits, hashDistance, haveSameColours, type HashBits } from '../sight';
import type { CheckedPhoto } from './check';

/** The hash of a picture without light and dark: it has no pattern to compare. */
const NO_PATTERN = '0'.repeat(16);

const BITS = 64;

/** Cells that differ by more (ΔE*ab) are not of the same picture: another colour of the same thing. */
const ANOTHER_COLOUR = 10;

/** Bits `from`…`to` of a hash, as one number; at most 32 of them. */
function bitsOf([high, low]: HashBits, from: number, to: number): number {
  let value = 0;
  for (let i = from; i < to; i++) value = (value << 1) | (((i < 32 ? high : low) >>> (31 - (i & 31))) & 1);
  return value;
}

/**
 * For each photo, in order, the first one before it that looks the same in light and dark and in its colours, if there
 * is one.
 * Hashes that differ in at most n bits have one of n + 1 pieces in common: only those are compared.
 */
export function twinsOf(
  photos: readonly (CheckedPhoto & { readonly name: string })[],
  bits: number,
): (CheckedPhoto['twin'] | null)[] {
  const pieces = Array.from({ length: bits + 1 }, (_, i) => [
    Math.floor((i * BITS) / (bits + 1)),
    Math.floor(((i + 1) * BITS) / (bits + 1)),
  ] as const); // prettier-ignore
  const halves = pieces.flatMap(([from, to]) =>
    to - from > 32 ? [[from, from + 32] as const] : [[from, to] as const],
  );
  const seen = halves.map(() => new Map<number, number[]>());
  const hashes = photos.map(({ sight }) => (sight && sight.hash !== NO_PATTERN ? hashBits(sight.hash) : null));
  const cells = photos.map(({ sight }) => (sight?.cells ? cellNumbers(sight.cells) : null));
  const areSame = (i: number, k: number) =>
    hashDistance(hashes[i]!, hashes[k]!) <= bits && (!cells[i] || !cells[k] || haveSameColours(cells[i], cells[k], ANOTHER_COLOUR)); // prettier-ignore
  return hashes.map((hash, i) => {
    if (!hash) return null;
    let first = Infinity;
    halves.forEach(([from, to], piece) => {
      const key = bitsOf(hash, from, to);
      const alike = seen[piece]!.get(key);
      for (const k of alike ?? []) {
        if (k >= first) break;
        if (areSame(i, k)) first = k;
      }
      if (alike) alike.push(i);
      else seen[piece]!.set(key, [i]);
    });
    return first < Infinity ? { name: photos[first]!.name, bits: hashDistance(hash, hashes[first]!) } : null;
  });
}
