/**
 * Masks with 32 pixels of a row to a number, the leftmost in its lowest bit: what looks at each pixel's neighbours does
 * so for all of them at once.
 */
import type { Size } from './lab';

export type Bits = Size & {
  /** Rows one after the other, each begun anew; bits beyond a row's end are 0. */
  readonly words: Int32Array;
  /** Numbers to a row. */
  readonly stride: number;
};

const blank = ({ width, height }: Size): Bits => {
  const stride = (width + 31) >> 5;
  return { words: new Int32Array(stride * height), stride, width, height };
};

/** @param mask one byte a pixel, 0 or 1 */
export function packed(mask: Uint8Array, size: Size): Bits {
  const bits = blank(size);
  const { words, width, height } = bits;
  for (let y = 0, i = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x += 32, k++) {
      const end = Math.min(32, width - x);
      let word = 0;
      for (let bit = 0; bit < end; bit++, i++) word |= mask[i]! << bit;
      words[k] = word;
    }
  return bits;
}

export function unpacked({ words, width, height }: Bits): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let y = 0, i = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x += 32, k++) {
      const end = i + Math.min(32, width - x);
      // Most numbers have no pixel of the mask.
      for (let word = words[k]!; word !== 0; word &= word - 1) mask[i + 31 - Math.clz32(word & -word)] = 1;
      i = end;
    }
  return mask;
}

/** The bits of a row's last number that are pixels. */
const lastOf = ({ width }: Size) => (width & 31 ? (1 << (width & 31)) - 1 : -1);

/** Each pixel the most of its 3 × 3 neighbourhood. */
export function widened(from: Bits): Bits {
  const { words, stride, height } = from;
  const to = blank(from);
  const column = new Int32Array(stride);
  for (let y = 0; y < height; y++) {
    const row = y * stride;
    const [up, down] = [y > 0 ? row - stride : row, y < height - 1 ? row + stride : row];
    for (let k = 0; k < stride; k++) column[k] = words[up + k]! | words[row + k]! | words[down + k]!;
    for (let k = 0; k < stride; k++) {
      const own = column[k]!;
      const before = k > 0 ? column[k - 1]! >>> 31 : 0;
      const after = k < stride - 1 ? column[k + 1]! << 31 : 0;
      to.words[row + k] = own | (own << 1) | before | (own >>> 1) | after;
    }
    to.words[row + stride - 1]! &= lastOf(from);
  }
  return to;
}

/** What is no pixel of the mask. */
export function inverse(from: Bits): Bits {
  const to = blank(from);
  for (let k = 0; k < to.words.length; k++) to.words[k] = ~from.words[k]!;
  for (let k = to.stride - 1; k < to.words.length; k += to.stride) to.words[k]! &= lastOf(from);
  return to;
}

/** Each pixel the least of its 3 × 3 neighbourhood, of which nothing lies beyond the rim. */
export const narrowed = (from: Bits): Bits => inverse(widened(inverse(from)));

/** What both have. */
export function common(one: Bits, other: Bits): Bits {
  const to = blank(one);
  for (let k = 0; k < to.words.length; k++) to.words[k] = one.words[k]! & other.words[k]!;
  return to;
}
