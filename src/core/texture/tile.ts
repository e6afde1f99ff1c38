/** One tile of a texture, and what it comes to over any pixel. */

/** `side` × `side` values 0…1, row by row. */
export type Tile = { readonly side: number; readonly values: Float32Array };

/** A tile by its value at places 0…1 across and down. */
export function tileOf(side: number, valueAt: (u: number, v: number) => number): Tile {
  const values = new Float32Array(side * side);
  for (let y = 0, i = 0; y < side; y++)
    for (let x = 0; x < side; x++, i++) values[i] = valueAt((x + 0.5) / side, (y + 0.5) / side);
  return { side, values };
}

/** Values of as many parts of a tile, at the places of its own, in the precision of the sums that they come from. */
type Parts = readonly Float64Array[];

/**
 * What a tile is mixed of and its numbers leave as it is: kept for the seed that was asked for last, as a slider
 * asks for the same again and again.
 *
 * @param partsAt writes the parts' values at a place into `out`
 */
export function keptParts(
  side: number,
  count: number,
  partsAt: (u: number, v: number, seed: number, out: Float64Array) => void,
): (seed: number) => Parts {
  let kept: { readonly seed: number; readonly parts: Parts } | null = null;
  return (seed) => {
    if (kept?.seed === seed) return kept.parts;
    const parts = Array.from({ length: count }, () => new Float64Array(side * side));
    const out = new Float64Array(count);
    for (let y = 0, i = 0; y < side; y++)
      for (let x = 0; x < side; x++, i++) {
        partsAt((x + 0.5) / side, (y + 0.5) / side, seed, out);
        for (let k = 0; k < count; k++) parts[k]![i] = out[k]!;
      }
    kept = { seed, parts };
    return parts;
  };
}

/** A tile mixed of two parts, value by value. */
export function mixedTile(side: number, [one, other]: Parts, mix: (a: number, b: number) => number): Tile {
  const values = new Float32Array(side * side);
  for (let i = 0; i < values.length; i++) values[i] = mix(one![i]!, other![i]!);
  return { side, values };
}

/** The values moved and stretched so that their mean is 0.5 and their standard deviation a fifth of `contrast`; ends are cut. */
export function evened({ side, values }: Tile, contrast: number): Tile {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]!;
  const mean = sum / values.length;
  let squares = 0;
  for (let i = 0; i < values.length; i++) squares += (values[i]! - mean) * (values[i]! - mean);
  const deviation = Math.sqrt(squares / values.length);
  const k = deviation > 0 ? contrast / 5 / deviation : 0;
  const made = new Float32Array(values.length);
  for (let i = 0; i < made.length; i++) made[i] = Math.min(1, Math.max(0, 0.5 + (values[i]! - mean) * k));
  return { side, values: made };
}

const BINS = 65_536;

/** Two tones: 1 for the `share` of the places where the value is highest. */
export function parted({ side, values }: Tile, share: number): Tile {
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < values.length; i++) {
    low = Math.min(low, values[i]!);
    high = Math.max(high, values[i]!);
  }
  const k = high > low ? (BINS - 1) / (high - low) : 0;
  const counts = new Uint32Array(BINS);
  for (let i = 0; i < values.length; i++) counts[Math.floor((values[i]! - low) * k)]!++;
  let [left, bin] = [share * values.length, BINS];
  while (bin > 0 && left > 0) left -= counts[--bin]!;
  const tones = new Float32Array(values.length);
  for (let i = 0; i < tones.length; i++) tones[i] = Math.floor((values[i]! - low) * k) >= bin ? 1 : 0;
  return { side, values: tones };
}

/** A tile with what all its values up to each place add up to (Crow 1984, "Summed-area tables"). */
export type SummedTile = { readonly side: number; readonly sums: Float64Array };

export function summed({ side, values }: Tile): SummedTile {
  const stride = side + 1;
  const sums = new Float64Array(stride * stride);
  for (let y = 0; y < side; y++) {
    let row = 0;
    for (let x = 0; x < side; x++) {
      row += values[y * side + x]!;
      sums[(y + 1) * stride + x + 1] = sums[y * stride + x + 1]! + row;
    }
  }
  return { side, sums };
}

/**
 * A reader of the tile laid side by side without end: its mean over a box of `across` × `down`
 * around (u, v), all in tiles. A box is at least as large as a value's own place, so that
 * enlarged values run into each other.
 */
export function tileReader({ side, sums }: SummedTile, across: number, down: number) {
  const stride = side + 1;
  const whole = sums[stride * stride - 1]!;
  const [w, h] = [Math.max(across * side, 1), Math.max(down * side, 1)];
  /** Between the four sums from `k` on, so far across and down from the first. */
  const between = (k: number, fx: number, fy: number): number => {
    const above = sums[k]! + (sums[k + 1]! - sums[k]!) * fx;
    const below = sums[k + stride]! + (sums[k + stride + 1]! - sums[k + stride]!) * fx;
    return above + (below - above) * fy;
  };
  /** Sum of all values from 0 to (x, y), which lie within one tile. */
  const within = (x: number, y: number): number => {
    const x0 = Math.min(Math.floor(x), side - 1);
    const y0 = Math.min(Math.floor(y), side - 1);
    return between(y0 * stride + x0, x - x0, y - y0);
  };
  const upTo = (x: number, y: number): number => {
    const tx = Math.floor(x / side);
    const ty = Math.floor(y / side);
    const px = x - tx * side;
    const py = y - ty * side;
    const own = within(px, py);
    if (tx === 0 && ty === 0) return own;
    return own + tx * within(side, py) + ty * within(px, side) + tx * ty * whole;
  };
  /** Sum of a box from (x, y) on that lies within one tile, as nearly all do: its corners share rows and columns. */
  const inOneTile = (x: number, y: number): number => {
    const [left, right] = [Math.floor(x), Math.floor(x + w)];
    const [top, bottom] = [Math.floor(y) * stride, Math.floor(y + h) * stride];
    const [fx, gx] = [x - left, x + w - right];
    const [fy, gy] = [y - Math.floor(y), y + h - Math.floor(y + h)];
    return between(bottom + right, gx, gy) - between(bottom + left, fx, gy) - between(top + right, gx, fy) + between(top + left, fx, fy); // prettier-ignore
  };
  return (u: number, v: number): number => {
    // Near the tile that everything is counted from, so that no sum grows large.
    const x = (u - Math.floor(u)) * side - w / 2;
    const y = (v - Math.floor(v)) * side - h / 2;
    const isWithin = x >= 0 && y >= 0 && x + w < side && y + h < side;
    const sum = isWithin ? inOneTile(x, y) : upTo(x + w, y + h) - upTo(x, y + h) - upTo(x + w, y) + upTo(x, y);
    return sum / (w * h);
  };
}
