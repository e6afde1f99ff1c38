/** What lies behind everything: the matte, the backdrop and the layers behind on it, and a mat round the frame. */
import { type Coat, coatLayer, isSameAllOver } from './coat';
import { channelsFor, type Others } from './pixel';

/** Left, top, right, bottom in pixels; they need not be whole. */
export type Edges = readonly [left: number, top: number, right: number, bottom: number];

export type Ground = {
  /** Premultiplied r, g, b and alpha, 0…1: a colour that is the same everywhere. */
  readonly even: readonly [r: number, g: number, b: number, alpha: number];
  /** On it, the lowest first, within the frame and, where there is no `mat`, beyond it. */
  readonly coats: readonly Coat[];
  readonly mat: { readonly coat: Coat; readonly frame: Edges } | null;
};

export const NO_GROUND: Ground = { even: [0, 0, 0, 0], coats: [], mat: null };
export const BLACK: Ground = { ...NO_GROUND, even: [0, 0, 0, 1] };

/** How much of each pixel of a row lies between two places. */
function covered(from: number, to: number, first: number, n: number): Float32Array {
  const out = new Float32Array(n);
  for (let i = 0; i < n; i++) out[i] = Math.max(0, Math.min(to, first + i + 1) - Math.max(from, first + i));
  return out;
}

/** Rows of the ground as pixels in the making; null where it is the same everywhere. The answer holds until the next call. */
export function groundRows(
  { even, coats, mat }: Ground,
  width: number,
  others: Others,
): ((y: number) => Float32Array) | null {
  if (coats.length === 0 && !mat) return null;
  const channels = channelsFor(others);
  const lay = coatLayer(width, channels);
  const bare = new Float32Array(width * channels);
  for (let x = 0; x < width; x++) for (let c = 0; c < 4; c++) bare[x * channels + c] = even[c]!;
  const painter = (own: readonly Coat[]) => {
    const row = bare.slice();
    const paint = (y: number) => {
      row.set(bare);
      for (const coat of own) lay(coat, 0, y, width, row);
      return row;
    };
    // What is one colour, or one photo, is so in every row.
    if (!own.every(isSameAllOver)) return paint;
    paint(0);
    return () => row;
  };
  const within = painter(coats);
  if (!mat) return within;
  const beyond = painter([mat.coat]);
  const across = covered(mat.frame[0], mat.frame[2], 0, width);
  const mixed = new Float32Array(width * channels);
  const isEven = isSameAllOver(mat.coat) && coats.every(isSameAllOver);
  /** Share of the row that was mixed last that lies within the frame. */
  let last = -1;
  return (y) => {
    const [inner, outer] = [within(y), beyond(y)];
    const [down] = covered(mat.frame[1], mat.frame[3], y, 1);
    if (down === 0) return outer;
    // Most rows are like the one before.
    if (isEven && down === last) return mixed;
    last = down!;
    for (let x = 0, q = 0; x < width; x++) {
      const inside = across[x]! * down!;
      for (let c = 0; c < channels; c++, q++) mixed[q] = inner[q]! * inside + outer[q]! * (1 - inside);
    }
    return mixed;
  };
}
